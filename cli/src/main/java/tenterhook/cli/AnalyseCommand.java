package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Locale;
import org.roaringbitmap.RoaringBitmap;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.measure.Measuring;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.measure.Measurement;
import tenterhook.core.measure.Passage;
import tenterhook.core.track.Snapshot;

/** Measures tracks that were not measured yet, and lists what is known of all that were asked. */
@Command(
    name = "analyse",
    description = "Measures tempo, key, loudness, passages, quality and energy; writes to no file.")
final class AnalyseCommand extends CollectionCommand {
  @Mixin QueryOption query = new QueryOption();

  @Override
  void run(MusicCollection collection) {
    RoaringBitmap ids = query.in(collection);
    Measuring.Report report = Measuring.run(collection, ids, progress());
    ids.forEach((int id) -> print(collection, id));
    sayFailed(report);
    main.err.printf(
        Locale.ROOT,
        "%d measured, %d known before, %d could not be; %.0f s of sound in %.1f s%n",
        report.measured(),
        report.known(),
        report.failed().size(),
        report.soundSeconds(),
        report.seconds());
  }

  private void sayFailed(Measuring.Report report) {
    for (Refusal one : report.failed()) {
      say(
          object().put("path", one.path()).put("reason", one.reason()),
          one.path() + ": " + one.reason());
      partly();
    }
  }

  private void print(MusicCollection collection, int id) {
    Snapshot snapshot = collection.state().snapshot();
    collection
        .measured()
        .of(snapshot.raw(id, Fields.SOUND))
        .ifPresent(m -> print(snapshot, id, path(collection, id), m));
  }

  private void print(Snapshot snapshot, int id, String path, Measurement of) {
    ObjectNode node = object().put("path", path);
    musical(node, of);
    node.put("soundStartSeconds", rounded(of.bounds().startSeconds(), 1000));
    node.put("soundEndSeconds", rounded(of.bounds().endSeconds(), 1000));
    of.loudest()
        .map(Passage::startSeconds)
        .ifPresent(s -> node.put("dropSeconds", rounded(s, 1000)));
    node.put("clippings", of.bounds().clippings());
    node.put("quality", snapshot.raw(id, Fields.QUALITY));
    snapshot.value(id, Fields.REAL_KBPS).ifPresent(k -> node.put("realKbps", k));
    snapshot.value(id, Fields.ENERGY).ifPresent(e -> node.put("energy", e));
    say(node, words(snapshot, id, path));
  }

  private static void musical(ObjectNode node, Measurement of) {
    of.tempo()
        .ifPresent(
            t ->
                node.put("bpm", rounded(t.bpm(), 100))
                    .put("bpmCertainty", t.certainty())
                    .put("bpmAlternative", rounded(t.alternativeBpm(), 100))
                    .put("firstBeatSeconds", rounded(t.firstBeatSeconds(), 1000)));
    of.key().ifPresent(k -> node.put("key", k.key().name()).put("keyCertainty", k.certainty()));
    of.lufs().ifPresent(l -> node.put("loudnessLufs", rounded(l, 100)));
    if (!Double.isInfinite(of.truePeakDb())) {
      node.put("truePeakDb", rounded(of.truePeakDb(), 100));
    }
  }

  private static double rounded(double value, double steps) {
    return Math.round(value * steps) / steps;
  }

  private static String words(Snapshot snapshot, int id, String path) {
    StringBuilder words = new StringBuilder(path);
    for (Field<?> field : Fields.measured()) {
      String text = snapshot.shown(id, field);
      boolean spoken = field != Fields.SOUND && !field.is(Trait.INTERNAL);
      if (spoken && !text.isEmpty()) {
        words.append("  ").append(field.label()).append(' ').append(text);
      }
    }
    return words.toString();
  }
}
