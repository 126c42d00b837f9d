package tenterhook.core.repair.names;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;

/** Fills artist, album and year from the folder's path, where its tracks agree with the pattern. */
public final class FolderNames implements Inspector.OfFolder {
  /** What a pattern reads off the folder, and what the tracks say to it. */
  private record FolderReading(
      NamePattern pattern, Map<Field<?>, String> values, int agreed, int contradicted) {
    boolean holds() {
      return agreed >= 2 && contradicted * 5 <= agreed;
    }
  }

  @Override
  public void inspect(Folder folder, InspectionContext context, Consumer<Proposal> out) {
    Optional<FolderReading> best = Optional.empty();
    for (NamePattern pattern : NamePattern.IN_FOLDERS) {
      Optional<FolderReading> mine = read(pattern, folder, context);
      if (mine.filter(FolderReading::holds).isPresent()
          && (best.isEmpty() || mine.get().agreed() > best.get().agreed())) {
        best = mine;
      }
    }
    Optional<FolderReading> reading = best.isPresent() ? best : byKnownArtist(folder, context);
    reading.ifPresent(r -> folder.ids().forEach((int id) -> propose(id, r, context, out)));
  }

  private static Optional<FolderReading> read(
      NamePattern pattern, Folder folder, InspectionContext context) {
    long depth = pattern.text().chars().filter(c -> c == '/').count();
    String[] parts = folder.path().split("/");
    if (folder.path().isEmpty() || parts.length < depth + 1) {
      return Optional.empty();
    }
    String end =
        depth == 0
            ? parts[parts.length - 1]
            : parts[parts.length - 2] + "/" + parts[parts.length - 1];
    return pattern
        .read(end)
        .map(
            values -> {
              int[] votes = new int[2];
              folder
                  .ids()
                  .forEach(
                      (int id) -> {
                        Agreement how = Agreement.of(id, values, context);
                        votes[0] += how == Agreement.AGREES ? 1 : 0;
                        votes[1] += how == Agreement.CONTRADICTS ? 1 : 0;
                      });
              return new FolderReading(pattern, values, votes[0], votes[1]);
            });
  }

  /** Where nothing is known of the folder's tracks, an artist that the collection knows helps. */
  private static Optional<FolderReading> byKnownArtist(Folder folder, InspectionContext context) {
    for (NamePattern pattern : NamePattern.IN_FOLDERS) {
      if (pattern.fields().contains(Fields.ARTIST) && pattern.fields().contains(Fields.ALBUM)) {
        Optional<FolderReading> reading = read(pattern, folder, context);
        if (reading.isPresent()
            && reading.get().contradicted() == 0
            && context.tracksBy(reading.get().values().get(Fields.ARTIST)) >= 2) {
          return reading;
        }
      }
    }
    return Optional.empty();
  }

  private static void propose(
      int id, FolderReading reading, InspectionContext context, Consumer<Proposal> out) {
    Map<Field<?>, String> values = new LinkedHashMap<>(reading.values());
    values.keySet().removeIf(field -> !context.hole(id, field));
    if (values.isEmpty() || Agreement.of(id, reading.values(), context) == Agreement.CONTRADICTS) {
      return;
    }
    int certainty =
        reading.agreed() == 0
            ? 75
            : Math.min(
                97,
                Math.round(
                    100f
                        * (reading.agreed() + 1)
                        / (reading.agreed() + reading.contradicted() + 2)));
    String reason =
        reading.agreed() == 0
            ? "the artist is known, nothing else speaks for it"
            : reading.agreed() + " tracks of the folder agree";
    out.accept(
        new Proposal(
            RepairKind.FOLDER_NAME,
            "“" + reading.pattern().words() + "” in the folder's path",
            id,
            context.edits(id, values),
            certainty,
            reason));
  }
}
