package tenterhook.desktop.listen;

import java.util.ArrayList;
import java.util.List;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.KeyWords;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What the strip says of a track, in one line. */
final class TrackFacts {
  private static final List<Field<?>> FACTS =
      List.of(Fields.YEAR, Fields.BPM, Fields.KEY, Fields.BITRATE, Fields.CODEC, Fields.LOUDNESS);

  private TrackFacts() {}

  /** What warns comes first, since a long line is cut at its end. */
  static String of(Workspace workspace, Snapshot snapshot, int id) {
    List<String> words = new ArrayList<>();
    if (snapshot.lost(id)) {
      words.add(Words.of("mark.lost"));
    }
    snapshot
        .value(id, Fields.REAL_KBPS)
        .ifPresent(k -> words.add(Words.of("strip.soundsLike", String.valueOf(k))));
    for (Field<?> field : FACTS) {
      String text =
          field == Fields.KEY
              ? KeyWords.of(workspace, snapshot.raw(id, field))
              : snapshot.shown(id, field);
      if (!text.isEmpty()) {
        words.add(
            Words.has("strip.fact." + field.key())
                ? Words.of("strip.fact." + field.key(), text)
                : text);
      }
    }
    return String.join(" · ", words);
  }
}
