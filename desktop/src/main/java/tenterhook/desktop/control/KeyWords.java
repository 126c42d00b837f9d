package tenterhook.desktop.control;

import tenterhook.core.measure.MusicalKey;
import tenterhook.desktop.workspace.Workspace;

/** Keys in the words that the DJ likes: as a note, or as a number on the wheel of fifths. */
public final class KeyWords {
  private KeyWords() {}

  /**
   * A key to be shown.
   *
   * @param raw as it stands in the tag; what cannot be read as a key is shown as it is
   */
  public static String of(Workspace workspace, String raw) {
    return workspace.wheelKeys().get()
        ? MusicalKey.parse(raw).map(MusicalKey::wheel).orElse(raw)
        : raw;
  }
}
