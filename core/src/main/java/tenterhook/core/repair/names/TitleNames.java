package tenterhook.core.repair.names;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.text.NameKey;

/**
 * Finds titles that hold the artist as well. Which part is the artist is told by the artists that
 * the collection knows, else by what the other titles of the folder agree on.
 */
public final class TitleNames implements Inspector.OfFolder {
  private static final Pattern DASHED = Pattern.compile("\\s[-–—]\\s");
  private static final String DECISION = "“%s” in the title";

  @Override
  public void inspect(Folder folder, InspectionContext context, Consumer<Proposal> out) {
    boolean dashed =
        folder.ids().stream().anyMatch(id -> DASHED.matcher(context.raw(id, Fields.TITLE)).find());
    if (!dashed) {
      return;
    }
    Map<NamePattern, int[]> votes = new LinkedHashMap<>();
    for (NamePattern pattern : NamePattern.IN_TITLES) {
      votes.put(pattern, new int[2]);
      folder.ids().forEach((int id) -> vote(id, pattern, context, votes.get(pattern)));
    }
    folder.ids().forEach((int id) -> propose(id, votes, context, out));
  }

  private static void vote(int id, NamePattern pattern, InspectionContext context, int[] votes) {
    Optional<Map<Field<?>, String>> read = pattern.read(context.raw(id, Fields.TITLE));
    if (read.isPresent()) {
      String artist = read.get().get(Fields.ARTIST);
      if (!context.hole(id, Fields.ARTIST)) {
        votes[same(context.raw(id, Fields.ARTIST), artist) ? 0 : 1]++;
      } else if (context.tracksBy(artist) > 0) {
        votes[0]++;
      }
    }
  }

  private static boolean same(String a, String b) {
    return NameKey.of(a).equals(NameKey.of(b));
  }

  private static void propose(
      int id, Map<NamePattern, int[]> votes, InspectionContext context, Consumer<Proposal> out) {
    String title = context.raw(id, Fields.TITLE);
    Optional<Proposal> best = Optional.empty();
    for (Map.Entry<NamePattern, int[]> one : votes.entrySet()) {
      Optional<Map<Field<?>, String>> read = one.getKey().read(title);
      if (read.isPresent()) {
        Optional<Proposal> mine = judge(id, one.getKey(), read.get(), one.getValue(), context);
        if (mine.isPresent()
            && (best.isEmpty() || mine.get().certainty() > best.get().certainty())) {
          best = mine;
        }
      }
    }
    best.ifPresent(out);
  }

  private static Optional<Proposal> judge(
      int id,
      NamePattern pattern,
      Map<Field<?>, String> read,
      int[] votes,
      InspectionContext context) {
    String artist = read.get(Fields.ARTIST);
    String rest = read.get(Fields.TITLE);
    if (!context.hole(id, Fields.TRACK)
        && read.containsKey(Fields.TRACK)
        && !Agreement.same(
            Fields.TRACK, context.raw(id, Fields.TRACK), read.get(Fields.TRACK), context)) {
      return Optional.empty();
    }
    Map<Field<?>, String> values = new LinkedHashMap<>(read);
    int certainty;
    String reason;
    if (!context.hole(id, Fields.ARTIST)) {
      if (!same(context.raw(id, Fields.ARTIST), artist)) {
        return Optional.empty();
      }
      Optional<Map<Field<?>, String>> again = pattern.read(rest);
      while (again.filter(r -> same(r.get(Fields.ARTIST), artist)).isPresent()) {
        values.put(Fields.TITLE, again.get().get(Fields.TITLE));
        again = pattern.read(again.get().get(Fields.TITLE));
      }
      values.remove(Fields.ARTIST);
      certainty = 97;
      reason = "the title says again who the artist is";
    } else {
      int known = context.tracksBy(artist);
      boolean rival = context.tracksBy(rest) > 0;
      if (known > 0 && !rival) {
        certainty = Math.min(98, 92 + known);
        reason = known == 1 ? "1 track by this artist" : known + " tracks by this artist";
      } else if (known > 0) {
        certainty = known > context.tracksBy(rest) * 4 ? 75 : 50;
        reason = "both parts are artists in the collection";
      } else if (!rival && votes[0] >= 3 && votes[1] == 0) {
        certainty = Math.min(88, 76 + votes[0]);
        reason = votes[0] + " other titles here agree on “" + pattern.words() + "”";
      } else {
        certainty = rival || pattern != NamePattern.IN_TITLES.get(1) ? 0 : 55;
        reason = "an artist that the collection does not know";
      }
      if (DASHED.matcher(rest).find()) {
        certainty = Math.min(certainty, 75);
        reason += ", and two dashes";
      }
    }
    if (certainty < 50 || rest.isBlank()) {
      return Optional.empty();
    }
    return Optional.of(
        new Proposal(
            RepairKind.ARTIST_IN_TITLE,
            DECISION.formatted(pattern.words()),
            id,
            context.edits(id, values),
            certainty,
            reason));
  }
}
