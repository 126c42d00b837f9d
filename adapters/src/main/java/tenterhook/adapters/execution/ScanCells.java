package tenterhook.adapters.execution;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.List;
import tenterhook.adapters.tagfile.AudioPayload;
import tenterhook.adapters.tagfile.Reading;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldOrigin;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;

/** Turns what a file says into the values that the collection keeps of it. */
public final class ScanCells {
  private static final List<Field<?>> TECHNICAL =
      List.of(Fields.DURATION, Fields.CODEC, Fields.BITRATE, Fields.SAMPLE_RATE, Fields.COUNTED);

  private ScanCells() {}

  /** All values that come from a file: tags, technical data, size, time and that it is there. */
  public static List<Cell> of(int id, Reading reading, Path file) throws IOException {
    List<Cell> cells = new ArrayList<>();
    for (Field<?> field : Fields.all()) {
      if (field.origin() == FieldOrigin.FILE || TECHNICAL.contains(field)) {
        cells.add(new Cell(id, field, reading.raw(field)));
      }
    }
    BasicFileAttributes attributes = Files.readAttributes(file, BasicFileAttributes.class);
    cells.add(new Cell(id, Fields.SIZE, String.valueOf(attributes.size())));
    cells.add(
        new Cell(id, Fields.MODIFIED, String.valueOf(attributes.lastModifiedTime().toMillis())));
    cells.add(new Cell(id, Fields.STATE, "present"));
    cells.add(new Cell(id, Fields.CONTENT, ""));
    AudioPayload.Seal seal = seal(file);
    cells.add(new Cell(id, Fields.TAGS_SEAL, seal.tags()));
    cells.add(new Cell(id, Fields.SOUND_SEAL, seal.sound()));
    return cells;
  }

  /**
   * A file that has tags but no sound where its format says has no seal, and is listed all the
   * same.
   */
  private static AudioPayload.Seal seal(Path file) {
    try {
      return AudioPayload.seal(file);
    } catch (IOException | RuntimeException damaged) {
      return new AudioPayload.Seal("", "");
    }
  }
}
