package tenterhook.adapters.duplicate;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileIdentity;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.duplicate.Criteria;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.duplicate.Evidence;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Preferences;
import tenterhook.core.duplicate.SoundPairs;
import tenterhook.core.duplicate.SoundPairs.Pair;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.measure.SoundPrint;
import tenterhook.core.track.Snapshot;

/**
 * What there is to know about copies in a collection: what was read and listened to, and what the
 * DJ settled. Immutable; made anew after files were compared or measured.
 *
 * @param sounds pairs of one recording
 * @param troubles files that could not be read
 */
public record CopySearch(List<Pair> sounds, List<Refusal> troubles) {
  private static final String PREFERENCES = "survivor preferences";
  private static final String BOTH_STAY = "both stay";
  private static final String CRITERIA = "duplicate criteria";

  /** Nothing read, nothing heard. */
  public static final CopySearch NONE = new CopySearch(List.of(), List.of());

  /** Copies. */
  public CopySearch {
    sounds = List.copyOf(sounds);
    troubles = List.copyOf(troubles);
  }

  /**
   * Reads the files of equal size that were not read before, and compares the prints of all that
   * was measured.
   *
   * @param progress told of every file; a stop keeps what was found so far
   */
  public static CopySearch run(MusicCollection collection, Progress progress) {
    List<Refusal> troubles = collection.compareCopies(progress);
    Snapshot snapshot = collection.state().snapshot();
    int[] ids = onePerSound(snapshot);
    List<Pair> pairs =
        SoundPairs.of(
            ids,
            id ->
                collection
                    .measured()
                    .print(snapshot.raw(id, Fields.SOUND))
                    .orElse(SoundPrint.EMPTY),
            progress);
    return new CopySearch(pairs, troubles);
  }

  private static int[] onePerSound(Snapshot snapshot) {
    Map<String, Integer> bySound = new LinkedHashMap<>();
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              String sound = snapshot.raw(id, Fields.SOUND);
              if (!sound.isEmpty() && !snapshot.lost(id)) {
                bySound.putIfAbsent(sound, id);
              }
            });
    return bySound.values().stream().mapToInt(i -> i).toArray();
  }

  /**
   * The groups of copies now.
   *
   * @param criteria by which tags are compared; empty when tags are not asked
   */
  public List<Group> groups(MusicCollection collection, Optional<Criteria> criteria) {
    return groups(collection, criteria, Evidence.SAME_TAGS);
  }

  /**
   * The groups of copies now that evidence of some strength joins. A file that a second track
   * reaches under another name is no copy of itself, and not among them.
   *
   * @param weakest the least that counts
   */
  public List<Group> groups(
      MusicCollection collection, Optional<Criteria> criteria, Evidence weakest) {
    CollectionState state = collection.state();
    return Duplicates.find(
            state.snapshot(),
            state.crates(),
            sounds,
            new Duplicates.Wish(criteria, weakest, preferences(collection), bothStay(collection)))
        .stream()
        .flatMap(group -> ofDifferentFiles(state, group).stream())
        .toList();
  }

  private static Optional<Group> ofDifferentFiles(CollectionState state, Group group) {
    List<Path> files = new ArrayList<>();
    Set<Integer> same = new HashSet<>();
    long bytes = 0;
    for (int id : group.tracks()) {
      Path file = state.path(id);
      if (files.stream().anyMatch(f -> FileIdentity.same(f, file))) {
        same.add(id);
        bytes += state.snapshot().value(id, Fields.SIZE).orElse(0L);
      }
      files.add(file);
    }
    return same.isEmpty() ? Optional.of(group) : group.without(same, bytes);
  }

  /** The DJ's order of preferences. */
  public static Preferences preferences(MusicCollection collection) {
    return collection.setting(PREFERENCES).map(Preferences::parse).orElse(Preferences.USUAL);
  }

  /** Keeps the DJ's order of preferences. */
  public static void keep(MusicCollection collection, Preferences preferences) {
    collection.keepSetting(PREFERENCES, preferences.toString());
  }

  /** The criteria that are ready-made and those that the DJ keeps under a name. */
  public static List<Criteria> criteria(MusicCollection collection) {
    Map<String, Criteria> byName = new LinkedHashMap<>();
    Criteria.READY_MADE.forEach(c -> byName.put(c.name(), c));
    collection.setting(CRITERIA).stream()
        .flatMap(String::lines)
        .map(Criteria::parse)
        .forEach(c -> byName.put(c.name(), c));
    return List.copyOf(byName.values());
  }

  /** Keeps criteria under their name; older ones of that name go. */
  public static void keep(MusicCollection collection, Criteria criteria) {
    String kept =
        criteria(collection).stream()
            .filter(c -> !Criteria.READY_MADE.contains(c) && !c.name().equals(criteria.name()))
            .map(Criteria::toString)
            .collect(Collectors.joining("\n"));
    collection.keepSetting(CRITERIA, (kept + "\n" + criteria).strip());
  }

  /** The groups of copies that the DJ settled: all of their tracks stay. */
  public List<Group> staying(MusicCollection collection, Optional<Criteria> criteria) {
    CollectionState state = collection.state();
    Set<Long> stay = bothStay(collection);
    return Duplicates.find(
            state.snapshot(),
            state.crates(),
            sounds,
            new Duplicates.Wish(criteria, preferences(collection), Set.of()))
        .stream()
        .filter(g -> stay.containsAll(Duplicates.pairs(g.tracks())))
        .toList();
  }

  private static Set<Long> bothStay(MusicCollection collection) {
    return Arrays.stream(collection.setting(BOTH_STAY).orElse("").split(" "))
        .filter(w -> !w.isEmpty())
        .map(Long::parseLong)
        .collect(Collectors.toSet());
  }

  /** Settles that all tracks of a group stay; it is not shown again. */
  public static void bothStay(MusicCollection collection, Group group) {
    Set<Long> kept = bothStay(collection);
    kept.addAll(Duplicates.pairs(group.tracks()));
    collection.keepSetting(BOTH_STAY, text(kept));
  }

  /** Takes that back. */
  public static void bothStayNoMore(MusicCollection collection, Group group) {
    Set<Long> kept = bothStay(collection);
    kept.removeAll(Duplicates.pairs(group.tracks()));
    collection.keepSetting(BOTH_STAY, text(kept));
  }

  private static String text(Set<Long> pairs) {
    return pairs.stream().sorted().map(String::valueOf).collect(Collectors.joining(" "));
  }
}
