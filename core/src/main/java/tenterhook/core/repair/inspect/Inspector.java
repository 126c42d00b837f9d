package tenterhook.core.repair.inspect;

import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.field.Field;
import tenterhook.core.repair.Proposal;

/** Finds one or two kinds of repairs. Pure: the same context gives the same proposals. */
public sealed interface Inspector {
  /** Judges a track by itself. */
  non-sealed interface TrackInspector extends Inspector {
    /** Hands out what it proposes for a track that is there. */
    void inspect(int id, InspectionContext context, Consumer<Proposal> out);
  }

  /** Judges the tracks of a folder together. */
  non-sealed interface OfFolder extends Inspector {
    /** Hands out what it proposes for the tracks of a folder. */
    void inspect(Folder folder, InspectionContext context, Consumer<Proposal> out);
  }

  /** Judges the spellings of a name that are near one another. */
  non-sealed interface OfName extends Inspector {
    /** The field whose values it judges. */
    Field<?> field();

    /** Spellings that go before all others. */
    default Set<String> settled(InspectionContext context) {
      return Set.of();
    }

    /** The proposal for one track with such a spelling. */
    void propose(
        int id,
        Map<String, Respelling> respellings,
        InspectionContext context,
        Consumer<Proposal> out);
  }

  /**
   * A spelling that should be another.
   *
   * @param after what it should be
   * @param certainty 0 to 100
   * @param reason why
   */
  record Respelling(String after, int certainty, String reason) {}

  /**
   * A folder and its tracks that are there, in the order of ids.
   *
   * @param name root and path, joined by {@code /}
   * @param path the path below the root, empty for the root itself
   * @param ids the tracks
   */
  record Folder(String name, String path, RoaringBitmap ids) {}
}
