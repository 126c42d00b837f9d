package tenterhook.adapters.lost;

import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.sound.SoundPrints;
import tenterhook.adapters.tagfile.AudioPayload;
import tenterhook.adapters.tagfile.Reading;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Place;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.lost.FileInspector;
import tenterhook.core.lost.LostFinder.FoundFile;
import tenterhook.core.measure.PrintIndex;
import tenterhook.core.measure.SoundPrint;
import tenterhook.core.track.Snapshot;

/** Opens files once; of those that a scan took for new tracks, the collection is asked instead. */
final class OpenedFiles implements FileInspector {
  private final MusicCollection collection;
  private final Snapshot snapshot;
  private final Map<Place, Integer> tracks = new HashMap<>();
  private final Map<FoundFile, Optional<FileFacts>> facts = new HashMap<>();
  private final Map<FoundFile, Optional<Seals>> seals = new HashMap<>();
  private final Map<FoundFile, Optional<String>> sounds = new HashMap<>();
  private final Map<FoundFile, Optional<SoundPrint>> prints = new HashMap<>();

  OpenedFiles(MusicCollection collection) {
    this.collection = collection;
    this.snapshot = collection.state().snapshot();
    snapshot.tracks().forEach((int id) -> tracks.put(TrackEdits.place(snapshot, id), id));
  }

  private Path path(FoundFile file) {
    return FilesBelow.path(collection.state(), file.place());
  }

  @Override
  public Optional<FileFacts> facts(FoundFile file) {
    return facts.computeIfAbsent(file, this::readFacts);
  }

  private Optional<FileFacts> readFacts(FoundFile file) {
    Integer id = tracks.get(file.place());
    if (id != null) {
      return snapshot
          .value(id, Fields.DURATION)
          .map(
              s ->
                  new FileFacts(
                      s, snapshot.raw(id, Fields.ARTIST), snapshot.raw(id, Fields.TITLE)));
    }
    try {
      Reading reading = TagFiles.read(path(file));
      return Fields.DURATION
          .type()
          .parse(reading.raw(Fields.DURATION))
          .map(s -> new FileFacts(s, reading.raw(Fields.ARTIST), reading.raw(Fields.TITLE)));
    } catch (Unreadable damaged) {
      return Optional.empty();
    }
  }

  /** Read off the file itself, be it a track of the collection: it is what is to be proved. */
  @Override
  public Optional<Seals> seals(FoundFile file) {
    return seals.computeIfAbsent(file, this::readSeals);
  }

  private Optional<Seals> readSeals(FoundFile file) {
    try {
      AudioPayload.Seal seal = AudioPayload.seal(path(file));
      return Optional.of(new Seals(seal.tags(), seal.sound()));
    } catch (IOException damaged) {
      return Optional.empty();
    }
  }

  @Override
  public Optional<String> sound(FoundFile file) {
    return sounds.computeIfAbsent(file, this::readSound);
  }

  private Optional<String> readSound(FoundFile file) {
    Integer id = tracks.get(file.place());
    if (id != null && !snapshot.raw(id, Fields.SOUND).isEmpty()) {
      return Optional.of(snapshot.raw(id, Fields.SOUND));
    }
    try {
      return Optional.of(TagFiles.payload(path(file)));
    } catch (Unreadable damaged) {
      return Optional.empty();
    }
  }

  @Override
  public Optional<Boolean> sameSound(int lost, FoundFile file) {
    Optional<SoundPrint> own = measured(lost);
    if (own.isEmpty()) {
      return Optional.empty();
    }
    return prints
        .computeIfAbsent(file, this::readPrint)
        .map(print -> !PrintIndex.of(Map.of(lost, own.get())).find(print).isEmpty());
  }

  private Optional<SoundPrint> measured(int id) {
    return collection.measured().print(snapshot.raw(id, Fields.SOUND)).filter(p -> p.length() > 0);
  }

  private Optional<SoundPrint> readPrint(FoundFile file) {
    Integer id = tracks.get(file.place());
    Optional<SoundPrint> known = id == null ? Optional.empty() : measured(id);
    if (known.isPresent()) {
      return known;
    }
    try {
      return Optional.of(SoundPrints.of(path(file))).filter(p -> p.length() > 0);
    } catch (Unreadable silent) {
      return Optional.empty();
    }
  }
}
