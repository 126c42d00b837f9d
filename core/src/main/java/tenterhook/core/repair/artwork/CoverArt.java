package tenterhook.core.repair.artwork;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.ArtworkCandidate;
import tenterhook.core.repair.ExternalEvidence;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;

/**
 * Covers that are missing, tiny, broken, of a type that players do not show, huge, or other than
 * the album's. They come from the same album's other tracks, from pictures that lie in the folder,
 * or are the same picture brought to a size that players take.
 */
public final class CoverArt implements Inspector.OfFolder {
  private static final List<String> COVER_NAMES = List.of("cover", "front", "folder", "album");

  @Override
  public void inspect(Folder folder, InspectionContext context, Consumer<Proposal> out) {
    Map<String, RoaringBitmap> albums = new LinkedHashMap<>();
    folder
        .ids()
        .forEach(
            (int id) ->
                albums
                    .computeIfAbsent(
                        context.key(context.raw(id, Fields.ALBUM)), a -> new RoaringBitmap())
                    .add(id));
    long named = albums.keySet().stream().filter(a -> !a.isEmpty()).count();
    boolean one = named <= 1;
    albums.forEach((album, ids) -> album(ids, album.isEmpty(), folder, one, context, out));
  }

  private static void album(
      RoaringBitmap ids,
      boolean nameless,
      Folder folder,
      boolean oneAlbum,
      InspectionContext context,
      Consumer<Proposal> out) {
    RoaringBitmap album = nameless ? new RoaringBitmap() : ids;
    Map<String, Integer> counts = new TreeMap<>();
    ids.forEach(
        (int id) -> {
          String raw = context.raw(id, Fields.ARTWORK);
          String trouble = context.cover(id).map(Artwork::trouble).orElse("missing");
          if (trouble.isEmpty()) {
            counts.merge(raw, 1, Integer::sum);
            return;
          }
          candidates(id, album, folder, oneAlbum, context).stream()
              .findFirst()
              .ifPresent(
                  best -> {
                    counts.merge(best.artwork().raw(), 1, Integer::sum);
                    propose(id, best, trouble, context, out);
                  });
        });
    if (!nameless) {
      differing(ids, counts, context, out);
    }
  }

  /** Where most of an album have one cover, the few that have another. */
  private static void differing(
      RoaringBitmap ids,
      Map<String, Integer> counts,
      InspectionContext context,
      Consumer<Proposal> out) {
    String most = "";
    for (Map.Entry<String, Integer> one : counts.entrySet()) {
      most = one.getValue() > counts.getOrDefault(most, 0) ? one.getKey() : most;
    }
    int with = counts.getOrDefault(most, 0);
    int others = counts.values().stream().mapToInt(Integer::intValue).sum() - with;
    if (with < 3 || others == 0 || others * 3 > with) {
      return;
    }
    Artwork cover = Artwork.parse(most).orElseThrow();
    String from = with + " tracks of the album";
    ids.forEach(
        (int id) -> {
          String raw = context.raw(id, Fields.ARTWORK);
          if (!raw.equals(cover.raw())
              && context.cover(id).filter(a -> a.trouble().isEmpty()).isPresent()) {
            ArtworkCandidate one = new ArtworkCandidate(cover, from, 75, with);
            propose(id, one, "other than the album's", context, out);
          }
        });
  }

  /**
   * Covers that a track could have, the best first.
   *
   * @param album the tracks of its album in its folder; empty when it names none
   * @param oneAlbum whether the folder holds this album only
   */
  public static List<ArtworkCandidate> candidates(
      int id, RoaringBitmap album, Folder folder, boolean oneAlbum, InspectionContext context) {
    List<ArtworkCandidate> found = new ArrayList<>();
    String own = context.raw(id, Fields.ARTWORK);
    Artwork.parse(own)
        .map(a -> context.externalEvidence().fitted().get(a.sha256()))
        .ifPresent(a -> found.add(new ArtworkCandidate(a, "the same picture, made to fit", 95, 0)));
    Map<String, Integer> shared = new LinkedHashMap<>();
    album.forEach(
        (int other) -> {
          if (other != id) {
            context
                .cover(other)
                .map(a -> context.externalEvidence().fitted().getOrDefault(a.sha256(), a))
                .filter(a -> a.trouble().isEmpty())
                .ifPresent(a -> shared.merge(a.raw(), 1, Integer::sum));
          }
        });
    shared.forEach(
        (raw, count) -> {
          int certainty = shared.size() == 1 ? (count > 1 ? 96 : 91) : 60;
          String from = count == 1 ? "another track of the album" : count + " tracks of the album";
          found.add(new ArtworkCandidate(Artwork.parse(raw).orElseThrow(), from, certainty, count));
        });
    for (ExternalEvidence.Beside beside :
        context.externalEvidence().pictures().getOrDefault(folder.name(), List.of())) {
      String name = beside.name().toLowerCase(Locale.ROOT);
      boolean cover = COVER_NAMES.stream().anyMatch(name::startsWith);
      int certainty = cover && oneAlbum ? 93 : oneAlbum ? 72 : 55;
      found.add(
          new ArtworkCandidate(beside.artwork(), beside.name() + " in the folder", certainty, 0));
    }
    Optional.ofNullable(context.externalEvidence().covers().get(id)).ifPresent(found::add);
    found.sort(
        (a, b) ->
            b.certainty() != a.certainty()
                ? b.certainty() - a.certainty()
                : b.sharedBy() != a.sharedBy()
                    ? b.sharedBy() - a.sharedBy()
                    : a.artwork().sha256().compareTo(b.artwork().sha256()));
    return found;
  }

  private static void propose(
      int id,
      ArtworkCandidate from,
      String trouble,
      InspectionContext context,
      Consumer<Proposal> out) {
    var edits = context.edits(id, Map.of(Fields.ARTWORK, from.artwork().raw()));
    if (!edits.isEmpty()) {
      out.accept(
          new Proposal(
              RepairKind.ARTWORK,
              "covers " + trouble,
              id,
              edits,
              from.certainty(),
              "from " + from.from() + ", " + from.artwork().size()));
    }
  }
}
