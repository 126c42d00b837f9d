package tenterhook.adapters.execution;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import tenterhook.adapters.tagfile.AudioPayload;
import tenterhook.adapters.tagfile.Reading;
import tenterhook.adapters.tagfile.SealedReading;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldOrigin;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** Turns what a file says into the values that the collection keeps of it. */
public final class ScanCells {
  private ScanCells() {}

  /** All values that come from a file: tags, technical data, size, time and that it is there. */
  public static List<Cell> of(int id, Reading reading, Path file) throws IOException {
    return of(id, new SealedReading(reading, seal(file)), file);
  }

  /** The same of a file that was recognised while it was read. */
  public static List<Cell> of(int id, SealedReading sealed, Path file) throws IOException {
    Map<Field<?>, String> values = new HashMap<>(sealed.reading().values());
    BasicFileAttributes attributes = Files.readAttributes(file, BasicFileAttributes.class);
    values.put(Fields.SIZE, String.valueOf(attributes.size()));
    values.put(Fields.MODIFIED, String.valueOf(attributes.lastModifiedTime().toMillis()));
    values.put(Fields.TAGS_SEAL, sealed.seal().tags());
    values.put(Fields.SOUND_SEAL, sealed.seal().sound());
    values.put(Fields.READ_WITH, String.valueOf(Fields.version()));
    List<Cell> cells = new ArrayList<>();
    for (Field<?> field : Fields.all()) {
      if (field.origin() == FieldOrigin.FILE || field.is(Trait.OF_FILE)) {
        cells.add(new Cell(id, field, values.getOrDefault(field, "")));
      }
    }
    cells.add(new Cell(id, Fields.STATE, "present"));
    return cells;
  }

  /** Whether the tags of a track were read before some fields were known. */
  public static boolean behind(Snapshot snapshot, int id) {
    return snapshot.value(id, Fields.READ_WITH).orElse(1L) < Fields.version();
  }

  /** What a file's tags say, of a file that is otherwise as it was. */
  public static List<Cell> caughtUp(int id, Reading reading) {
    List<Cell> cells = new ArrayList<>();
    Fields.inFile().forEach(f -> cells.add(new Cell(id, f, reading.raw(f))));
    cells.add(new Cell(id, Fields.OUT_OF_STEP, reading.raw(Fields.OUT_OF_STEP)));
    cells.add(upToDate(id));
    return cells;
  }

  /** That all fields of the catalogue were looked for. */
  public static Cell upToDate(int id) {
    return new Cell(id, Fields.READ_WITH, String.valueOf(Fields.version()));
  }

  /**
   * A file that has tags but no sound where its format says has no seal, and is listed all the
   * same.
   */
  private static AudioPayload.Seal seal(Path file) {
    try {
      return AudioPayload.seal(file);
    } catch (IOException | RuntimeException damaged) {
      return AudioPayload.Seal.NONE;
    }
  }
}
