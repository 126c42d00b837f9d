package tenterhook.backstage.collection;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.List;
import tenterhook.backstage.tagfile.Reading;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Home;
import tenterhook.core.track.Cell;

/** Turns what a file says into the values that the collection keeps of it. */
final class ScanCells {
  private static final List<Field<?>> TECHNICAL =
      List.of(Fields.DURATION, Fields.CODEC, Fields.BITRATE, Fields.SAMPLE_RATE, Fields.COUNTED);

  private ScanCells() {}

  /** All values that come from a file: tags, technical data, size, time and that it is there. */
  static List<Cell> of(int id, Reading reading, Path file) throws IOException {
    List<Cell> cells = new ArrayList<>();
    for (Field<?> field : Fields.all()) {
      if (field.home() == Home.FILE || TECHNICAL.contains(field)) {
        cells.add(new Cell(id, field, reading.raw(field)));
      }
    }
    BasicFileAttributes attributes = Files.readAttributes(file, BasicFileAttributes.class);
    cells.add(new Cell(id, Fields.SIZE, String.valueOf(attributes.size())));
    cells.add(
        new Cell(id, Fields.MODIFIED, String.valueOf(attributes.lastModifiedTime().toMillis())));
    cells.add(new Cell(id, Fields.STATE, "present"));
    cells.add(new Cell(id, Fields.CONTENT, ""));
    return cells;
  }
}
