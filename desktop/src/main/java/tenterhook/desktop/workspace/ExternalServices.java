package tenterhook.desktop.workspace;

import java.io.IOException;
import java.net.URI;
import tenterhook.core.listen.SoundOutputs;

/**
 * What the window uses of the world outside. The wiring says which; tests bring their own.
 *
 * @param outputs the devices that sound can go to
 * @param silent used when there are none
 * @param catalogue starts the catalogue service that ships
 */
public record ExternalServices(
    SoundOutputs outputs, SoundOutputs silent, CatalogueStarter catalogue) {
  /** Starts a catalogue service when it is first asked. */
  @FunctionalInterface
  public interface CatalogueStarter {
    /**
     * Starts it.
     *
     * @throws IOException when it cannot listen
     */
    RunningCatalogue start() throws IOException;
  }

  /** A catalogue service that runs. */
  public interface RunningCatalogue extends AutoCloseable {
    /** Where it answers. */
    URI address();

    @Override
    void close();
  }
}
