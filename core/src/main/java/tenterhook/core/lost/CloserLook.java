package tenterhook.core.lost;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import tenterhook.core.change.Place;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.lost.FileInspector.FileFacts;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.lost.LostFinder.FoundFile;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Snapshot;

/**
 * Opens files for the lost tracks that names and sizes leave open, the cheapest question first:
 * length and tags, then the sound to the byte, then its print.
 */
final class CloserLook {
  /** Encoders pad a file by less than a tenth of a second; a cut start may take a second or two. */
  private static final double SAME_SECONDS = 0.3;

  private static final double NEAR_SECONDS = 3;
  private static final int SURE = 90;

  private final Snapshot snapshot;
  private final List<FoundFile> files;
  private final FileInspector inspector;
  private final Set<Place> known = new HashSet<>();
  private @Nullable TreeMap<Double, List<FoundFile>> byLength;

  CloserLook(Snapshot snapshot, List<FoundFile> files, FileInspector inspector) {
    this.snapshot = snapshot;
    this.files = files;
    this.inspector = inspector;
  }

  Map<Integer, List<Candidate>> at(Map<Integer, List<Candidate>> first, Progress progress) {
    Map<Integer, List<Candidate>> all = new TreeMap<>(first);
    String earliest =
        first.keySet().stream()
            .map(id -> snapshot.raw(id, Fields.ADDED))
            .max(String::compareTo)
            .orElse("");
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              if (snapshot.raw(id, Fields.ADDED).compareTo(earliest) <= 0) {
                known.add(TrackEdits.place(snapshot, id));
              }
            });
    int done = 0;
    for (Map.Entry<Integer, List<Candidate>> one : all.entrySet()) {
      if (progress.stopped()) {
        break;
      }
      one.setValue(closer(one.getKey(), one.getValue(), progress));
      progress.at(++done, all.size(), snapshot.name(one.getKey()));
    }
    return all;
  }

  private List<Candidate> closer(int id, List<Candidate> mine, Progress progress) {
    if (!mine.isEmpty() && mine.getFirst().certainty() >= SURE) {
      return mine;
    }
    List<Candidate> seen = new ArrayList<>();
    Set<FoundFile> had = new HashSet<>();
    for (Candidate one : mine) {
      had.add(one.file());
      seen.add(new Candidate(id, one.file(), opened(one)));
    }
    seen.sort(LostFinder.BEST_FIRST);
    if (seen.isEmpty() || seen.getFirst().certainty() < SURE) {
      for (FoundFile file : near(id, progress)) {
        if (had.add(file)) {
          byLength(id, file).ifPresent(l -> seen.add(new Candidate(id, file, l)));
        }
      }
      seen.sort(LostFinder.BEST_FIRST);
    }
    return seen;
  }

  /** What opening a file says that has the name or the size of the lost one. */
  private FileMatch opened(Candidate one) {
    FileMatch before = one.likeness();
    if (before == FileMatch.STOOD_BESIDE) {
      return before;
    }
    int id = one.id();
    Optional<Boolean> sealed = sealed(id, one.file());
    boolean samples = sealed.orElse(false);
    if (samples && before == FileMatch.NAME_AND_SIZE && sameTagsSeal(one)) {
      return FileMatch.MOVED;
    }
    String own = snapshot.raw(id, Fields.SOUND);
    if (!own.isEmpty() && inspector.sound(one.file()).filter(own::equals).isPresent()) {
      return before == FileMatch.SIZE ? FileMatch.RENAMED : FileMatch.RETAGGED;
    }
    if (samples) {
      return FileMatch.SAMPLES_AGREE;
    }
    Optional<Boolean> heard = inspector.sameSound(id, one.file());
    if (heard.isPresent()) {
      return heard.get() ? FileMatch.REENCODED : FileMatch.SOUNDS_OTHERWISE;
    }
    if (before == FileMatch.NAME_AND_SIZE && sealed.isPresent()) {
      return FileMatch.SOUNDS_OTHERWISE;
    }
    boolean alike =
        inspector
            .facts(one.file())
            .filter(f -> apart(id, f) <= SAME_SECONDS && sameTags(id, f))
            .isPresent();
    if (!alike) {
      return before;
    }
    return switch (before) {
      case NAME_AND_SIZE -> FileMatch.NAME_SIZE_LENGTH_TAGS;
      case SIZE -> sealed.isPresent() ? before : FileMatch.SIZE_LENGTH_TAGS;
      default -> FileMatch.NAME_LENGTH_TAGS;
    };
  }

  /** Whether samples of the sound agree; empty where the collection or the file does not tell. */
  private Optional<Boolean> sealed(int id, FoundFile file) {
    String own = snapshot.raw(id, Fields.SOUND_SEAL);
    return own.isEmpty()
        ? Optional.empty()
        : inspector.seals(file).filter(s -> !s.sound().isEmpty()).map(s -> s.sound().equals(own));
  }

  private boolean sameTagsSeal(Candidate one) {
    return inspector
        .seals(one.file())
        .filter(s -> s.tags().equals(snapshot.raw(one.id(), Fields.TAGS_SEAL)))
        .isPresent();
  }

  /** What speaks for a file that shares neither name nor size. */
  private Optional<FileMatch> byLength(int id, FoundFile file) {
    String known = snapshot.raw(id, Fields.SOUND);
    if (sealed(id, file).orElse(false)) {
      boolean toTheByte = inspector.sound(file).filter(known::equals).isPresent();
      return Optional.of(toTheByte ? FileMatch.RENAMED : FileMatch.SAMPLES_AGREE);
    }
    Optional<Boolean> heard = inspector.sameSound(id, file);
    if (heard.isPresent()) {
      String own = snapshot.raw(id, Fields.SOUND);
      return !heard.get()
          ? Optional.empty()
          : Optional.of(
              inspector.sound(file).filter(own::equals).isPresent()
                  ? FileMatch.RENAMED
                  : FileMatch.REENCODED);
    }
    return inspector
        .facts(file)
        .filter(f -> apart(id, f) <= SAME_SECONDS && sameTags(id, f))
        .map(f -> FileMatch.LENGTH_TAGS);
  }

  private double apart(int id, FileFacts facts) {
    return Math.abs(snapshot.value(id, Fields.DURATION).orElse(-1e9) - facts.seconds());
  }

  private boolean sameTags(int id, FileFacts facts) {
    String title = NameKey.plain(facts.title());
    return !title.isEmpty()
        && title.equals(NameKey.plain(snapshot.raw(id, Fields.TITLE)))
        && NameKey.of(facts.artist()).equals(NameKey.of(snapshot.raw(id, Fields.ARTIST)));
  }

  /** Files that were not known before the loss and are about as long. */
  private List<FoundFile> near(int id, Progress progress) {
    double seconds = snapshot.value(id, Fields.DURATION).orElse(-1.0);
    List<FoundFile> near = new ArrayList<>();
    if (seconds >= 0) {
      lengths(progress)
          .subMap(seconds - NEAR_SECONDS, true, seconds + NEAR_SECONDS, true)
          .values()
          .forEach(near::addAll);
    }
    return near;
  }

  private TreeMap<Double, List<FoundFile>> lengths(Progress progress) {
    TreeMap<Double, List<FoundFile>> made = byLength;
    if (made == null) {
      made = new TreeMap<>();
      for (FoundFile file : files) {
        if (progress.stopped()) {
          break;
        }
        if (!known.contains(file.place())) {
          Optional<FileFacts> facts = inspector.facts(file);
          if (facts.isPresent()) {
            made.computeIfAbsent(facts.get().seconds(), s -> new ArrayList<>()).add(file);
          }
          progress.at(0, -1, file.name());
        }
      }
      byLength = made;
    }
    return made;
  }
}
