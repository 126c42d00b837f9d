package tenterhook.desktop.app;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Path;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.listen.SoundCards;
import tenterhook.adapters.store.CollectionRefused;
import tenterhook.core.job.Progress;
import tenterhook.desktop.workspace.ExternalServices;
import tenterhook.desktop.workspace.ExternalServices.RunningCatalogue;
import tenterhook.standins.catalogue.CatalogueService;
import tenterhook.standins.catalogue.DemoCatalogue;
import tenterhook.standins.demo.DemoCollection;
import tenterhook.standins.demo.DemoMusic;
import tenterhook.standins.listen.SilentOutputs;

/** The wiring: the only place of the window that knows the simulated world outside. */
public final class StandIns {
  private StandIns() {}

  /** This machine's sound, or silence where there is none, and the catalogue that ships. */
  public static ExternalServices services() {
    return new ExternalServices(new SoundCards(), new SilentOutputs(1), StandIns::catalogue);
  }

  private static RunningCatalogue catalogue() throws IOException {
    CatalogueService service = CatalogueService.start(DemoCatalogue.of(DemoMusic.TRACKS), 0);
    return new RunningCatalogue() {
      @Override
      public URI address() {
        return service.address();
      }

      @Override
      public void close() {
        service.close();
      }
    };
  }

  /** Opens the demo; makes it first where it is not there yet. */
  static MusicCollection demo(Path folder, Progress progress)
      throws IOException, CollectionRefused {
    return DemoCollection.open(folder, DemoMusic.TRACKS, progress);
  }
}
