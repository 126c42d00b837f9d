package tenterhook.adapters.duplicate;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileIdentity;
import tenterhook.adapters.sound.SoundPrints;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.duplicate.Evidence;
import tenterhook.core.field.Fields;
import tenterhook.core.measure.PrintIndex;
import tenterhook.core.measure.SoundPrint;

/**
 * Compares two files at the very moment at which one of them is to go in favour of the other. What
 * was known of them before counts only as what is to be proved.
 */
final class CopyCheck {
  private CopyCheck() {}

  /**
   * Whether evidence holds now.
   *
   * @param kept the track that stays
   * @param spare the track that goes
   * @param claimed what is to be proved
   * @return why it does not hold, in words; empty when it does
   */
  static Optional<String> objection(CollectionState state, int kept, int spare, Evidence claimed) {
    Path stays = state.path(kept);
    Path goes = state.path(spare);
    if (!Files.isRegularFile(stays)) {
      return Optional.of(
          "was left alone, since the file that is to be kept is not there: " + stays);
    }
    if (!Files.isRegularFile(goes)) {
      return Optional.of("its file is not there; nothing was done to it");
    }
    if (FileIdentity.same(stays, goes)) {
      return Optional.of(
          "is the very file that is to be kept, under a second name: " + stays + "; left alone");
    }
    try {
      return holds(state, kept, spare, claimed)
          ? Optional.empty()
          : Optional.of(
              "is no longer " + claimed.words() + " as " + stays + "; look for copies again");
    } catch (IOException | Unreadable trouble) {
      return Optional.of("could not be compared and was left alone: " + trouble.getMessage());
    }
  }

  private static boolean holds(CollectionState state, int kept, int spare, Evidence claimed)
      throws IOException, Unreadable {
    Path stays = state.path(kept);
    Path goes = state.path(spare);
    return switch (claimed) {
      case SAME_BYTES -> Files.mismatch(stays, goes) == -1;
      case SAME_STREAM -> TagFiles.payload(stays).equals(TagFiles.payload(goes));
      case SAME_SOUND -> isAsHeard(state, kept) && isAsHeard(state, spare);
      case SAME_TAGS -> true; // the DJ looked; nothing but the tags was ever claimed
    };
  }

  /** Whether a file still is the one whose sound was measured. */
  private static boolean isAsHeard(CollectionState state, int id) throws Unreadable {
    String heard = state.snapshot().raw(id, Fields.SOUND);
    return heard.isEmpty() || heard.equals(TagFiles.payload(state.path(id)));
  }

  /**
   * Whether two files hold one recording, found out anew: by what sounds to the byte, else by their
   * prints.
   *
   * @throws Unreadable when one of them cannot be heard
   */
  static boolean oneRecording(MusicCollection collection, Path one, Path other) throws Unreadable {
    String first = TagFiles.payload(one);
    String second = TagFiles.payload(other);
    return first.equals(second)
        || !PrintIndex.of(Map.of(1, print(collection, one, first)))
            .find(print(collection, other, second))
            .isEmpty();
  }

  private static SoundPrint print(MusicCollection collection, Path file, String sound)
      throws Unreadable {
    Optional<SoundPrint> measured = collection.measured().print(sound).filter(p -> p.length() > 0);
    return measured.isPresent() ? measured.get() : SoundPrints.of(file);
  }
}
