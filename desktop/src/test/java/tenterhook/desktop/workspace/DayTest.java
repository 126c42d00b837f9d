package tenterhook.desktop.workspace;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.find.Query;
import tenterhook.core.job.Progress;
import tenterhook.desktop.app.StandIns;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Recording;
import tenterhook.standins.synth.Synth;

/** A window that stays open over midnight, and over a clock that is set back. */
class DayTest {
  private final AtomicReference<Instant> now =
      new AtomicReference<>(Instant.parse("2026-11-28T12:00:00Z"));

  @TempDir Path folder;

  private static void onToolkit(Runnable work) {
    WaitForAsyncUtils.waitForAsyncFx(20_000, work);
    WaitForAsyncUtils.waitForFxEvents();
  }

  @Test
  void cratesCountDaysFromTheDayThatItIs() throws Exception {
    FxToolkit.registerPrimaryStage();
    Path music = Files.createDirectories(folder.resolve("Music"));
    Encoder.write(
        Synth.render(Recording.of(1, 150)), music.resolve("one.wav"), Encoder.AudioForm.WAV, 128);
    try (MusicCollection collection =
        MusicCollection.open(folder.resolve("collection"), now::get)) {
      collection.scan(music, Progress.SILENT);
      Query fresh = ((Parsed.Good) FindParser.parseAnyFacet("added:-2d..")).query();
      Crates crates = Crates.NONE.plus("Rink", new Crate.RuleCrate("Fresh", Rule.of(fresh)));
      collection.apply(
          new Change("adds", true, List.of(new Edit.SetCrates(Crates.NONE, crates))),
          Progress.SILENT);
      Workspace[] workspace = new Workspace[1];
      onToolkit(() -> workspace[0] = new Workspace(collection, StandIns.services()));
      assertThat(held(workspace[0])).isEqualTo(1);
      now.updateAndGet(then -> then.plus(Duration.ofDays(3)));
      onToolkit(workspace[0]::tick);
      assertThat(held(workspace[0])).isZero();
      now.updateAndGet(then -> then.minus(Duration.ofDays(3)));
      onToolkit(workspace[0]::tick);
      assertThat(held(workspace[0])).isEqualTo(1);
      onToolkit(workspace[0]::close);
    }
  }

  private static int held(Workspace workspace) {
    return workspace.contents().members("Fresh").orElseThrow().getCardinality();
  }
}
