package tenterhook.adapters.execution;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import tenterhook.adapters.disk.ByteDelta;
import tenterhook.adapters.disk.ByteDelta.Patch;
import tenterhook.adapters.disk.ByteDelta.Pieces;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.store.Store;
import tenterhook.adapters.tagfile.AudioPayload;
import tenterhook.adapters.tagfile.Reading;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.adapters.tagfile.tag.OwnText;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/** Writes values into a copy of a file, and proves that nothing else of it changed. */
final class TagWriter {
  private final Store store;
  private final FileCalls calls;

  TagWriter(Store store, FileCalls calls) {
    this.store = store;
    this.calls = calls;
  }

  /** Sets fields in a copy. */
  void write(Path copy, Map<Field<?>, String> values) throws IOException, Unreadable {
    FileCalls.Action<Unreadable> action =
        () -> TagFiles.write(copy, values, sha -> store.picture(sha).orElse(null));
    calls.call(FileCalls.CallKind.WRITE, copy, action);
  }

  /**
   * Makes an older state of a file.
   *
   * @param made gets it
   * @return false when the file is no longer what the patch starts from
   */
  boolean restore(Patch patch, Path file, Optional<byte[]> picture, Pieces pieces, Path made)
      throws IOException {
    boolean[] restored = {false};
    FileCalls.Action<IOException> action =
        () -> restored[0] = ByteDelta.restore(patch, file, picture, pieces, made);
    calls.call(FileCalls.CallKind.WRITE, made, action);
    if (restored[0] && !SafeFiles.hash(made).equals(patch.before())) {
      throw new IOException("the old file could not be made again to the byte");
    }
    return restored[0];
  }

  /**
   * Reads a copy back.
   *
   * @param payload what sounded before, made by {@link AudioPayload#hash}
   * @param now all values before
   * @param after the values that were to change
   * @return all values of the copy
   * @throws Unreadable when a value is not as it should be, or another sounds
   */
  static Reading check(Path copy, String payload, Reading now, Map<Field<?>, String> after)
      throws Unreadable {
    Reading written = TagFiles.read(copy);
    for (Field<?> field : Fields.inFile()) {
      String wanted = after.getOrDefault(field, now.raw(field));
      if (!agrees(field, wanted, written.raw(field)) && !another(field, wanted, now, written)) {
        throw cannotHold(field, written);
      }
    }
    if (!TagFiles.payload(copy).equals(payload)) {
      throw new Unreadable("the sound would have changed; the file is as it was");
    }
    return written;
  }

  /** Whether one of several pictures or texts is gone, and another that was there is shown now. */
  private static boolean another(Field<?> field, String wanted, Reading now, Reading written) {
    boolean several = field == Fields.ARTWORK || OwnText.oneOfSeveral(field);
    return several && wanted.isEmpty() && !agrees(field, now.raw(field), written.raw(field));
  }

  private static Unreadable cannotHold(Field<?> field, Reading written) {
    return new Unreadable(
        "its format cannot hold this "
            + field.label()
            + " (it would read \""
            + field.type().show(written.raw(field))
            + "\"); the file is as it was");
  }

  /** A cover is the same when its bytes are; the media type may be named otherwise. */
  static boolean agrees(Field<?> field, String wanted, String found) {
    if (field != Fields.ARTWORK) {
      return wanted.equals(found);
    }
    return Artwork.parse(wanted)
        .map(Artwork::sha256)
        .equals(Artwork.parse(found).map(Artwork::sha256));
  }
}
