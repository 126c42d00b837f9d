package tenterhook.core.repair;

import java.util.Arrays;
import java.util.Map;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;

/** How well what a pattern reads explains what is known of a track. */
enum Agreement {
  /** A known value is the same, and none is another. */
  AGREES,
  /** A known value is another. */
  CONTRADICTS,
  /** Nothing that it reads is known. */
  SILENT;

  private static final int LEAST = 4;

  /** Compares values that a pattern read with those of a track. */
  static Agreement of(int id, Map<Field<?>, String> read, Ground ground) {
    boolean agrees = false;
    for (Map.Entry<Field<?>, String> one : read.entrySet()) {
      if (!ground.hole(id, one.getKey())) {
        if (!same(one.getKey(), ground.raw(id, one.getKey()), one.getValue(), ground)) {
          return CONTRADICTS;
        }
        agrees |= one.getKey() != Fields.TRACK;
      }
    }
    return agrees ? AGREES : SILENT;
  }

  /** Whether two values mean the same; the known one may hold more, such as an artist in front. */
  static boolean same(Field<?> field, String known, String read, Ground ground) {
    if (field.type().numeric()) {
      return field.type().number(known) == field.type().number(read);
    }
    if (known.equals(read)) {
      return true;
    }
    String a = ground.key(known);
    String b = ground.key(read);
    return a.equals(b)
        || NameKey.near(a, b)
        || known.indexOf(' ') > 0
            && known.matches(".*\\s[-–—]\\s.*")
            && Arrays.stream(known.split("\\s[-–—]\\s")).anyMatch(p -> ground.key(p).equals(b))
        || Math.min(a.length(), b.length()) >= LEAST && (a.startsWith(b) || b.startsWith(a));
  }
}
