package tenterhook.adapters.collection;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.Wavs;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Outcome;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Notation;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;

/** Keys that come faster than files are written, beside a scan that is under way. */
class QuickHandsTest extends CollectionTest {
  private static final List<String> CODES = List.of("SKA", "ELC", "DUB", "VOX");

  @BeforeEach
  void tenTracksAndFourCodes() throws Exception {
    for (int i = 0; i < 10; i++) {
      Wavs.make(music.resolve("Quick/" + i + ".wav"), 100 + i);
    }
    collection.scan(music, Progress.SILENT);
    List<Code> codes = CODES.stream().map(c -> new Code(c, "")).toList();
    Codebook book =
        new Codebook(List.of(new Facet("Style", "", true, true, codes)), Notation.DEFAULT);
    collection.apply(
        new Change(
            "codes", true, List.of(new Edit.SetCodebook(collection.state().codebook(), book))),
        Progress.SILENT);
  }

  @Test
  void fourCodesOnEachOfTenTracksWithoutWaitingBesideAScan() throws Exception {
    List<Future<Outcome>> keys = new ArrayList<>();
    try (ExecutorService hands = Executors.newFixedThreadPool(3);
        ExecutorService scanner = Executors.newSingleThreadExecutor()) {
      Future<?> scans =
          scanner.submit(
              () -> {
                for (int i = 0; i < 20; i++) {
                  Wavs.make(music.resolve("Later/" + i + ".wav"), 500 + i);
                  collection.scan(music, Progress.SILENT);
                  collection.disks().availability(Progress.SILENT);
                }
                return null;
              });
      for (int track = 0; track < 10; track++) {
        RoaringBitmap one = RoaringBitmap.bitmapOf(id(track + ".wav"));
        for (String code : CODES) {
          keys.add(
              hands.submit(
                  () ->
                      collection.apply(
                          now ->
                              TrackEdits.code(
                                  now.snapshot(), now.codebook(), one, List.of(code), List.of()),
                          Progress.SILENT)));
        }
      }
      for (Future<Outcome> key : keys) {
        assertThat(key.get().refused()).isEmpty();
      }
      scans.get();
    }
    for (int track = 0; track < 10; track++) {
      int id = id(track + ".wav");
      assertThat(now().value(id, Fields.CODES).orElseThrow()).containsExactlyElementsOf(CODES);
      assertThat(inFile(collection.state().path(id), Fields.COMMENT))
          .isEqualTo(now().raw(id, Fields.COMMENT));
    }
    assertThat(now().count()).isEqualTo(33);
  }
}
