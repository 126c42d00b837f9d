package tenterhook.core.repair.numbers;

import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;

/** Disc numbers that stand in the album's name or in the folder. */
public final class Discs implements Inspector.TrackInspector {
  private static final Pattern IN_ALBUM =
      Pattern.compile(
          "(?i)^(.*\\S)\\s*[(\\[-]?\\s*\\b(?:cd|disc|disk)\\s*#?(\\d{1,2})\\s*[)\\]]?$");
  private static final Pattern IN_PATH =
      Pattern.compile("(?i)(?:^|/)(?:cd|disc|disk)[ _-]?(\\d{1,2})$");

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    String name = context.raw(id, Fields.ALBUM);
    String folder = context.raw(id, Fields.FOLDER);
    if (!context.hole(id, Fields.DISC) || !endsInNumber(name) && !endsInNumber(folder)) {
      return;
    }
    Matcher album = IN_ALBUM.matcher(name);
    Matcher path = IN_PATH.matcher(folder);
    boolean inAlbum = album.matches();
    if (inAlbum || path.find()) {
      out.accept(
          new Proposal(
              RepairKind.DISCS,
              inAlbum ? "discs in the album's name" : "discs in the folder's name",
              id,
              context.edits(id, Map.of(Fields.DISC, inAlbum ? album.group(2) : path.group(1))),
              93,
              inAlbum ? "the album's name ends in it" : "the folder is called so"));
    }
  }

  /** Whether a figure is the last sign, a bracket apart. */
  private static boolean endsInNumber(String text) {
    int last = text.length() - 1;
    boolean bracket = last > 0 && (text.charAt(last) == ')' || text.charAt(last) == ']');
    return last >= 0 && Character.isDigit(text.charAt(bracket ? last - 1 : last));
  }
}
