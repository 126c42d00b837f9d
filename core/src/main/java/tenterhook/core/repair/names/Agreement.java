package tenterhook.core.repair.names;

import java.util.Arrays;
import java.util.Map;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.inspect.InspectionContext;
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
  static Agreement of(int id, Map<Field<?>, String> read, InspectionContext context) {
    boolean agrees = false;
    for (Map.Entry<Field<?>, String> one : read.entrySet()) {
      if (!context.hole(id, one.getKey())) {
        if (!same(one.getKey(), context.raw(id, one.getKey()), one.getValue(), context)) {
          return CONTRADICTS;
        }
        agrees |= one.getKey() != Fields.TRACK;
      }
    }
    return agrees ? AGREES : SILENT;
  }

  /** Whether two values mean the same; the known one may hold more, such as an artist in front. */
  static boolean same(Field<?> field, String known, String read, InspectionContext context) {
    if (field.type().numeric()) {
      return field.type().number(known) == field.type().number(read);
    }
    if (known.equals(read)) {
      return true;
    }
    String a = context.key(known);
    String b = context.key(read);
    return a.equals(b)
        || NameKey.near(a, b)
        || known.indexOf(' ') > 0
            && known.matches(".*\\s[-–—]\\s.*")
            && Arrays.stream(known.split("\\s[-–—]\\s")).anyMatch(p -> context.key(p).equals(b))
        || Math.min(a.length(), b.length()) >= LEAST && (a.startsWith(b) || b.startsWith(a));
  }
}
