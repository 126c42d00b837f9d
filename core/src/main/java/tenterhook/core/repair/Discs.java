package tenterhook.core.repair;

import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Fields;

/** Disc numbers that stand in the album's name or in the folder. */
final class Discs implements Inspector.OfTrack {
  private static final Pattern IN_ALBUM =
      Pattern.compile(
          "(?i)^(.*\\S)\\s*[(\\[-]?\\s*\\b(?:cd|disc|disk)\\s*#?(\\d{1,2})\\s*[)\\]]?$");
  private static final Pattern IN_PATH =
      Pattern.compile("(?i)(?:^|/)(?:cd|disc|disk)[ _-]?(\\d{1,2})$");

  @Override
  public void inspect(int id, Ground ground, Consumer<Proposal> out) {
    if (!ground.hole(id, Fields.DISC)) {
      return;
    }
    Matcher album = IN_ALBUM.matcher(ground.raw(id, Fields.ALBUM));
    Matcher path = IN_PATH.matcher(ground.raw(id, Fields.FOLDER));
    boolean inAlbum = album.matches();
    if (inAlbum || path.find()) {
      out.accept(
          new Proposal(
              RepairKind.DISCS,
              inAlbum ? "discs in the album's name" : "discs in the folder's name",
              id,
              ground.edits(id, Map.of(Fields.DISC, inAlbum ? album.group(2) : path.group(1))),
              93,
              inAlbum ? "the album's name ends in it" : "the folder is called so"));
    }
  }
}
