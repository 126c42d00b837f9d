package tenterhook.core.repair.numbers;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.repair.inspect.NameKeys;

/** Track numbers and totals of an album that lies in one folder: doubles, gaps, missing totals. */
public final class TrackNumbers implements Inspector.OfFolder {
  private static final Pattern FRONT = Pattern.compile("^(\\d{1,3})\\D.*");
  private static final int LEAST = 4;

  @Override
  public void inspect(Folder folder, InspectionContext context, Consumer<Proposal> out) {
    Set<String> names = new TreeSet<>();
    folder.ids().forEach((int id) -> names.add(album(id, context)));
    names.remove("");
    Map<String, List<Integer>> albums = new TreeMap<>();
    folder
        .ids()
        .forEach(
            (int id) -> {
              String own = album(id, context);
              String name = own.isEmpty() && names.size() == 1 ? names.iterator().next() : own;
              if (!name.isEmpty()) {
                String disc = context.raw(id, Fields.DISC);
                albums.computeIfAbsent(name + "\n" + disc, a -> new ArrayList<>()).add(id);
              }
            });
    albums.values().stream()
        .filter(ids -> ids.size() >= LEAST)
        .forEach(ids -> album(ids, context, out));
  }

  private static String album(int id, InspectionContext context) {
    return NameKeys.key(Fields.ALBUM, context.raw(id, Fields.ALBUM));
  }

  private static void album(List<Integer> ids, InspectionContext context, Consumer<Proposal> out) {
    Map<Integer, Integer> numbers = new HashMap<>();
    for (int id : ids) {
      context.snapshot().value(id, Fields.TRACK).ifPresent(n -> numbers.put(id, n));
    }
    doubles(numbers, context, out);
    TreeSet<Integer> used = new TreeSet<>(numbers.values());
    boolean fits = !used.isEmpty() && used.first() >= 1 && used.last() <= ids.size();
    if (fits && used.size() == ids.size() - 1 && numbers.size() == used.size()) {
      int without = ids.stream().filter(id -> !numbers.containsKey(id)).findFirst().orElseThrow();
      gap(without, used, ids.size(), context, out);
      used.add(0);
    }
    if (fits && used.size() == ids.size()) {
      ids.forEach(id -> total(id, ids.size(), context, out));
    }
  }

  /** Of two tracks with one number, the one whose file says another number is wrong. */
  private static void doubles(
      Map<Integer, Integer> numbers, InspectionContext context, Consumer<Proposal> out) {
    Map<Integer, List<Integer>> byNumber = new TreeMap<>();
    numbers.forEach((id, n) -> byNumber.computeIfAbsent(n, x -> new ArrayList<>()).add(id));
    byNumber.forEach(
        (number, same) -> {
          for (int id : same.size() == 2 ? same : List.<Integer>of()) {
            Matcher front = FRONT.matcher(context.snapshot().fileName(id));
            int said = front.matches() ? Integer.parseInt(front.group(1)) : 0;
            if (said > 0 && said != number && !numbers.containsValue(said)) {
              numbers.put(id, said);
              String reason = "two tracks have " + number + ", and its file says " + said;
              propose(id, Fields.TRACK, said, "numbers given twice", 93, reason, context, out);
            }
          }
        });
  }

  private static void gap(
      int id,
      TreeSet<Integer> numbers,
      int all,
      InspectionContext context,
      Consumer<Proposal> out) {
    for (int n = 1; n <= all; n++) {
      if (!numbers.contains(n)) {
        String reason = "the other tracks have 1 to " + all + " but " + n;
        String decision = "the one number that is missing";
        propose(id, Fields.TRACK, n, decision, 85, reason, context, out);
      }
    }
  }

  private static void total(int id, int all, InspectionContext context, Consumer<Proposal> out) {
    if (context.hole(id, Fields.TRACK_TOTAL)) {
      String reason = "the album's tracks are numbered 1 to " + all;
      propose(id, Fields.TRACK_TOTAL, all, "totals of whole albums", 92, reason, context, out);
    }
  }

  private static void propose(
      int id,
      Field<?> field,
      int after,
      String decision,
      int certainty,
      String reason,
      InspectionContext context,
      Consumer<Proposal> out) {
    context
        .proposal(
            RepairKind.TRACK_NUMBERS, decision, id, field, String.valueOf(after), certainty, reason)
        .ifPresent(out);
  }
}
