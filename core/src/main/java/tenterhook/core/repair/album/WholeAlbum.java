package tenterhook.core.repair.album;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;

/**
 * What the tracks of one album in one folder should agree on: its name, its artist, its year. A
 * folder counts as an album when four tracks or more, and most of those that name one, name the
 * same; a folder of single tracks is left alone.
 */
public final class WholeAlbum implements Inspector.OfFolder {
  private static final int LEAST = 4;
  private static final double MOST = 0.7;

  /** The value that most tracks of a folder have, with how many have it and how many another. */
  private record Majority(String value, int with, int others) {
    boolean clear() {
      return with >= LEAST && with >= MOST * (with + others);
    }
  }

  @Override
  public void inspect(Folder folder, InspectionContext context, Consumer<Proposal> out) {
    if (folder.ids().getCardinality() < LEAST) {
      return;
    }
    Majority album = majority(folder, Fields.ALBUM, context);
    if (!album.clear()) {
      return;
    }
    RoaringBitmap members = new RoaringBitmap();
    albumName(folder, album, context, members, out);
    albumArtist(members, context, out);
    Majority year = majority(folder, Fields.YEAR, context);
    if (year.clear()) {
      year(members, year, context, out);
    }
  }

  private static Majority majority(Folder folder, Field<?> field, InspectionContext context) {
    Map<String, Integer> counts = new HashMap<>();
    Map<String, String> shown = new HashMap<>();
    folder
        .ids()
        .forEach(
            (int id) -> {
              if (!context.hole(id, field)) {
                String raw = context.raw(id, field);
                String key =
                    field.type().numeric()
                        ? String.valueOf(field.type().number(raw))
                        : context.key(raw);
                counts.merge(key, 1, Integer::sum);
                shown.merge(key, raw, (a, b) -> a.compareTo(b) <= 0 ? a : b);
              }
            });
    int all = counts.values().stream().mapToInt(Integer::intValue).sum();
    return counts.entrySet().stream()
        .max(Map.Entry.<String, Integer>comparingByValue().thenComparing(Map.Entry::getKey))
        .map(e -> new Majority(shown.get(e.getKey()), e.getValue(), all - e.getValue()))
        .orElse(new Majority("", 0, 0));
  }

  /** Proposes the album's name and collects the tracks that then have it. */
  private static void albumName(
      Folder folder,
      Majority album,
      InspectionContext context,
      RoaringBitmap members,
      Consumer<Proposal> out) {
    String key = context.key(album.value());
    folder
        .ids()
        .forEach(
            (int id) -> {
              String mine = context.raw(id, Fields.ALBUM);
              String reason =
                  album.with() + " tracks of the folder are from “" + album.value() + "”";
              boolean here = context.key(mine).equals(key);
              if (here || mine.isBlank() || numberFits(id, folder, context)) {
                members.add(id);
              }
              if (mine.isBlank()) {
                int certainty = album.others() == 0 ? 93 : 80;
                propose(
                    id,
                    Fields.ALBUM,
                    album.value(),
                    "albums without their name",
                    certainty,
                    reason,
                    context,
                    out);
              } else if (!here && numberFits(id, folder, context)) {
                propose(
                    id,
                    Fields.ALBUM,
                    album.value(),
                    "tracks with another album's name",
                    70,
                    reason,
                    context,
                    out);
              }
            });
  }

  /** Whether the track's number is one that no other track of the folder has. */
  private static boolean numberFits(int id, Folder folder, InspectionContext context) {
    String number = context.raw(id, Fields.TRACK);
    return !number.isEmpty()
        && folder.ids().stream()
            .noneMatch(o -> o != id && context.raw(o, Fields.TRACK).equals(number));
  }

  private static void albumArtist(
      RoaringBitmap members, InspectionContext context, Consumer<Proposal> out) {
    Set<String> artists = new HashSet<>();
    Set<String> albumArtists = new HashSet<>();
    int[] known = {0};
    members.forEach(
        (int id) -> {
          if (!context.hole(id, Fields.ARTIST)) {
            artists.add(context.key(context.raw(id, Fields.ARTIST)));
            known[0]++;
          }
          if (!context.hole(id, Fields.ALBUM_ARTIST)) {
            albumArtists.add(context.raw(id, Fields.ALBUM_ARTIST));
          }
        });
    boolean compilation = artists.size() >= LEAST && artists.size() * 2 >= known[0];
    if (albumArtists.size() > 1 || albumArtists.isEmpty() && !compilation) {
      return;
    }
    boolean none = albumArtists.isEmpty();
    String value = none ? "Various Artists" : albumArtists.iterator().next();
    String reason =
        none ? artists.size() + " artists on one album" : "the album's other tracks have it";
    members.forEach(
        (int id) -> {
          if (context.hole(id, Fields.ALBUM_ARTIST)) {
            String decision = "albums without their artist";
            propose(id, Fields.ALBUM_ARTIST, value, decision, none ? 91 : 95, reason, context, out);
          }
        });
  }

  private static void year(
      RoaringBitmap members, Majority year, InspectionContext context, Consumer<Proposal> out) {
    double number = Fields.YEAR.type().number(year.value());
    members.forEach(
        (int id) -> {
          String raw = context.raw(id, Fields.YEAR);
          if (raw.isBlank()) {
            int certainty = year.others() == 0 ? 91 : 75;
            String reason = year.with() + " tracks of the album have it";
            String decision = "years missing in an album";
            propose(id, Fields.YEAR, year.value(), decision, certainty, reason, context, out);
          } else if (!Fields.YEAR.isHole(raw) && Fields.YEAR.type().number(raw) != number) {
            String reason = year.with() + " tracks of the album have " + year.value();
            String decision = "years that differ in an album";
            propose(id, Fields.YEAR, year.value(), decision, 75, reason, context, out);
          }
        });
  }

  private static void propose(
      int id,
      Field<?> field,
      String after,
      String decision,
      int certainty,
      String reason,
      InspectionContext context,
      Consumer<Proposal> out) {
    context
        .proposal(RepairKind.WHOLE_ALBUM, decision, id, field, after, certainty, reason)
        .ifPresent(out);
  }
}
