package tenterhook.core.listen;

import java.util.List;
import tenterhook.core.listen.SoundOutput.SoundLost;

/** The devices that sound can go to. */
public interface SoundOutputs {
  /** Their names, the usual one first; empty where there is no sound card. */
  List<String> names();

  /**
   * Opens a device.
   *
   * @param name one of {@link #names}; any other means the usual one
   * @throws SoundLost when it cannot be opened
   */
  SoundOutput open(String name) throws SoundLost;
}
