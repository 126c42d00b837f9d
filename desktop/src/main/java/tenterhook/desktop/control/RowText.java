package tenterhook.desktop.control;

import java.util.List;
import tenterhook.core.field.Field;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;

/** Rows of a table as text, such as a spreadsheet takes it: a line a track, values between tabs. */
final class RowText {
  private RowText() {}

  /** The text; a line ends behind each track, and none within one. */
  static String of(Snapshot snapshot, List<Field<?>> fields, TrackIds ids) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < ids.size(); i++) {
      for (int f = 0; f < fields.size(); f++) {
        text.append(f == 0 ? "" : "\t").append(oneLine(snapshot.shown(ids.at(i), fields.get(f))));
      }
      text.append('\n');
    }
    return text.toString();
  }

  private static String oneLine(String value) {
    return value.replaceAll("[\\t\\r\\n]+", " ");
  }
}
