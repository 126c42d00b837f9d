package tenterhook.core.repair.numbers;

import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.track.Snapshot;

/** Where a title says that it is a reissue, and the song itself is known from an earlier year. */
public final class Reissues implements Inspector.TrackInspector {
  private static final Pattern SAYS =
      Pattern.compile("(?i)\\b(remaster(ed)?|re-?issue|anniversary)\\b");

  public static boolean isReissue(Snapshot snapshot, int id) {
    return says(snapshot.raw(id, Fields.TITLE)) || says(snapshot.raw(id, Fields.ALBUM));
  }

  /** The words are long; most names are told by their length or by having no second blank. */
  private static boolean says(String name) {
    return name.length() >= 7
        && name.indexOf(' ') != name.lastIndexOf(' ')
        && SAYS.matcher(name).find();
  }

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    if (!isReissue(context.snapshot(), id)) {
      return;
    }
    int known = context.originalYear(context.raw(id, Fields.ARTIST), context.raw(id, Fields.TITLE));
    int year = context.snapshot().value(id, Fields.YEAR).orElse(0);
    if (known >= Years.FIRST && year > known) {
      out.accept(
          new Proposal(
              RepairKind.REISSUES,
              "the year of the song, not of the reissue",
              id,
              context.edits(id, Map.of(Fields.YEAR, String.valueOf(known))),
              80,
              "the collection has the song from " + known));
    }
  }
}
