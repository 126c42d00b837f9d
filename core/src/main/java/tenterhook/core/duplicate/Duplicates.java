package tenterhook.core.duplicate;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.Crates;
import tenterhook.core.duplicate.SoundPairs.Pair;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.NameKey;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;

/**
 * Finds groups of copies with the evidence for them. Versions stay apart: a live take, a remix, an
 * edit or another length is no copy, whatever the prints say of the minutes they share. Pure:
 * nothing is applied here.
 */
public final class Duplicates {
  /** Two codings of one recording differ by what the coders put in front and behind. */
  private static final double MOST_SECONDS_APART = 5;

  private final PreferenceContext context;
  private final Snapshot snapshot;
  private final Preferences preferences;

  /** What joins two tracks, by one of them. */
  private final Map<Integer, List<CopyLink>> links = new HashMap<>();

  private final Map<Integer, Integer> parents = new TreeMap<>();

  /** Another track that evidence says is a copy. */
  private record CopyLink(int to, Evidence by) {}

  private Duplicates(PreferenceContext context, Preferences preferences) {
    this.context = context;
    this.snapshot = context.snapshot();
    this.preferences = preferences;
  }

  /**
   * What is asked for.
   *
   * @param criteria by which tags are compared; empty when tags are not asked
   * @param weakest what joins copies at least
   * @param preferences by which a survivor is proposed
   * @param bothStay pairs that the DJ keeps, made by {@link #pair}; tracks of a group all of whose
   *     pairs stay are no group
   */
  public record Wish(
      Optional<Criteria> criteria, Evidence weakest, Preferences preferences, Set<Long> bothStay) {
    /** Everything as it is without any work of the DJ's. */
    public static final Wish USUAL =
        new Wish(Optional.of(Criteria.USUAL), Preferences.USUAL, Set.of());

    /** All that joins. */
    public Wish(Optional<Criteria> criteria, Preferences preferences, Set<Long> bothStay) {
      this(criteria, Evidence.SAME_TAGS, preferences, bothStay);
    }

    /** Copies. */
    public Wish {
      bothStay = Set.copyOf(bothStay);
    }
  }

  /** Two tracks as one number. */
  public static long pair(int one, int other) {
    return (long) Math.min(one, other) << 32 | Math.max(one, other);
  }

  /** The tracks that share their size with another one and whose content is not yet known. */
  public static RoaringBitmap toHash(Snapshot snapshot) {
    RoaringBitmap ids = new RoaringBitmap();
    equal(snapshot, Fields.SIZE).stream()
        .flatMap(List::stream)
        .filter(id -> snapshot.isBlank(id, Fields.CONTENT))
        .forEach(ids::add);
    return ids;
  }

  /**
   * The groups that are the same byte for byte, as far as files were read, by the usual order.
   *
   * @param snapshot the collection
   */
  public static List<Group> sameBytes(Snapshot snapshot) {
    Duplicates finder =
        new Duplicates(PreferenceContext.of(snapshot, Crates.NONE), Preferences.USUAL);
    finder.joinEqual(Fields.CONTENT, Evidence.SAME_BYTES);
    return sorted(finder.components().values().stream().map(finder::heard).toList());
  }

  private static List<Group> sorted(List<Group> groups) {
    return groups.stream()
        .sorted(
            Comparator.comparing(Group::evidence)
                .thenComparing(Comparator.comparingLong(Group::bytesFreed).reversed())
                .thenComparing(Group::survivor))
        .toList();
  }

  /**
   * The groups of copies, those with the strongest evidence first, and of these the ones that free
   * most.
   *
   * @param snapshot the collection
   * @param crates its shelves
   * @param sounds what {@link SoundPairs} found
   * @param wish what is asked for
   */
  public static List<Group> find(Snapshot snapshot, Crates crates, List<Pair> sounds, Wish wish) {
    Duplicates finder = new Duplicates(PreferenceContext.of(snapshot, crates), wish.preferences());
    finder.joinEqual(Fields.CONTENT, Evidence.SAME_BYTES);
    if (Evidence.SAME_STREAM.reaches(wish.weakest())) {
      finder.joinEqual(Fields.SOUND, Evidence.SAME_STREAM);
    }
    for (Pair pair : Evidence.SAME_SOUND.reaches(wish.weakest()) ? sounds : List.<Pair>of()) {
      if (finder.oneRecording(pair.one(), pair.other())) {
        finder.join(pair.one(), pair.other(), Evidence.SAME_SOUND);
      }
    }
    List<Group> groups = new ArrayList<>();
    Map<Integer, List<Integer>> strong = finder.components();
    strong.values().forEach(same -> groups.add(finder.heard(same)));
    wish.criteria().ifPresent(c -> groups.addAll(finder.byTags(c, strong, sounds)));
    groups.removeIf(g -> stays(g.tracks(), wish.bothStay()));
    return sorted(groups);
  }

  private static boolean stays(List<Integer> tracks, Set<Long> bothStay) {
    return !bothStay.isEmpty() && bothStay.containsAll(pairs(tracks));
  }

  /** All pairs of some tracks. */
  public static Set<Long> pairs(List<Integer> tracks) {
    Set<Long> pairs = new HashSet<>();
    for (int a : tracks) {
      for (int b : tracks) {
        if (a < b) {
          pairs.add(pair(a, b));
        }
      }
    }
    return pairs;
  }

  /** The tracks that are there and have the same value as another one, by that value. */
  private static Collection<List<Integer>> equal(Snapshot snapshot, Field<?> field) {
    Column column = snapshot.column(field);
    int[] firsts = new int[column.dictionary().size()];
    Map<Integer, List<Integer>> byNumber = new HashMap<>();
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              int number = column.number(id);
              if (number == 0 || snapshot.lost(id)) {
                return;
              }
              if (firsts[number] == 0) {
                firsts[number] = id;
              } else {
                byNumber.computeIfAbsent(number, n -> new ArrayList<>(List.of(firsts[n]))).add(id);
              }
            });
    return byNumber.values();
  }

  private void joinEqual(Field<?> field, Evidence by) {
    for (List<Integer> same : equal(snapshot, field)) {
      for (int i = 1; i < same.size(); i++) {
        join(same.getFirst(), same.get(i), by);
      }
    }
  }

  private void join(int one, int other, Evidence by) {
    links.computeIfAbsent(one, i -> new ArrayList<>(2)).add(new CopyLink(other, by));
    links.computeIfAbsent(other, i -> new ArrayList<>(2)).add(new CopyLink(one, by));
    parents.put(root(one), root(other));
  }

  /**
   * The evidence for each track that can be reached from a survivor: of all chains between the two
   * the one whose weakest link is the strongest.
   */
  private Map<Integer, Evidence> reached(int survivor) {
    Map<Integer, Evidence> reached = new HashMap<>(Map.of(survivor, Evidence.SAME_BYTES));
    for (Evidence by : Evidence.values()) {
      Deque<Integer> open = new ArrayDeque<>(reached.keySet());
      while (!open.isEmpty()) {
        for (CopyLink link : links.getOrDefault(open.removeFirst(), List.of())) {
          if (link.by().reaches(by) && reached.putIfAbsent(link.to(), by) == null) {
            open.addLast(link.to());
          }
        }
      }
    }
    reached.remove(survivor);
    return reached;
  }

  private int root(int id) {
    int at = id;
    while (parents.getOrDefault(at, at) != at) {
      at = parents.get(at);
    }
    parents.put(id, at);
    return at;
  }

  private Map<Integer, List<Integer>> components() {
    Map<Integer, List<Integer>> groups = new TreeMap<>();
    for (int id : List.copyOf(parents.keySet())) {
      groups.computeIfAbsent(root(id), r -> new ArrayList<>()).add(id);
    }
    return groups;
  }

  /** Present, of one length, and not told to be different versions by their titles. */
  private boolean oneRecording(int one, int other) {
    if (!snapshot.has(one) || !snapshot.has(other) || snapshot.lost(one) || snapshot.lost(other)) {
      return false;
    }
    double a = snapshot.value(one, Fields.DURATION).orElse(0.0);
    double b = snapshot.value(other, Fields.DURATION).orElse(0.0);
    String first = snapshot.raw(one, Fields.TITLE);
    String second = snapshot.raw(other, Fields.TITLE);
    return Math.abs(a - b) <= MOST_SECONDS_APART
        && (first.isBlank()
            || second.isBlank()
            || TagGroups.version(first).equals(TagGroups.version(second)));
  }

  private Group heard(List<Integer> same) {
    Doubt doubt =
        versions(same) > 1 ? Doubt.VERSIONS : homes(same) > 1 ? Doubt.TWO_HOMES : Doubt.NONE;
    return group(same, doubt);
  }

  /** How many versions the titles tell; one without a title tells nothing. */
  private long versions(List<Integer> same) {
    return same.stream()
        .map(id -> snapshot.raw(id, Fields.TITLE))
        .filter(title -> !title.isBlank())
        .map(TagGroups::version)
        .distinct()
        .count();
  }

  /** On how many albums these tracks are. */
  private long homes(List<Integer> same) {
    return same.stream()
        .map(id -> NameKey.of(snapshot.raw(id, Fields.ALBUM)))
        .filter(a -> !a.isEmpty())
        .distinct()
        .count();
  }

  private Group group(List<Integer> same, Doubt doubt) {
    Preferences.Ranking ranking = preferences.rank(context, same);
    Map<Integer, Evidence> reached = reached(ranking.tracks().getFirst());
    Map<Integer, Evidence> bySpare = new HashMap<>();
    ranking.tracks().stream()
        .skip(1)
        .forEach(id -> bySpare.put(id, reached.getOrDefault(id, Evidence.SAME_TAGS)));
    long freed =
        ranking.tracks().stream()
            .skip(1)
            .mapToLong(id -> snapshot.value(id, Fields.SIZE).orElse(0L))
            .sum();
    return new Group(ranking.tracks(), bySpare, doubt, freed, ranking.decidedBy());
  }

  /** Groups that only tags make; of tracks that are copies anyway one stands for all. */
  private List<Group> byTags(
      Criteria criteria, Map<Integer, List<Integer>> strong, List<Pair> sounds) {
    RoaringBitmap looked = snapshot.tracks(id -> !snapshot.lost(id));
    Set<Long> alike = new HashSet<>();
    sounds.forEach(p -> alike.add(pair(p.one(), p.other())));
    List<Group> groups = new ArrayList<>();
    for (List<Integer> same : TagGroups.of(snapshot, looked, criteria)) {
      Map<Integer, Integer> standing = new TreeMap<>();
      for (int id : same) {
        int root = parents.containsKey(id) ? root(id) : id;
        List<Integer> copies = strong.getOrDefault(root, List.of(id));
        standing.putIfAbsent(root, preferences.rank(context, copies).tracks().getFirst());
      }
      List<Integer> tracks = new ArrayList<>(standing.values());
      Doubt doubt = doubt(tracks, alike);
      boolean partsOfOne = doubt == Doubt.SOUND_DIFFERS && onOneAlbum(tracks);
      if (standing.size() > 1 && !partsOfOne) {
        groups.add(group(tracks, doubt));
      }
    }
    return groups;
  }

  /** Two of one title on one album that sound otherwise are two tracks of it. */
  private boolean onOneAlbum(List<Integer> tracks) {
    return homes(tracks) == 1
        && tracks.stream().noneMatch(id -> snapshot.isBlank(id, Fields.ALBUM));
  }

  /** What was measured and is not alike, differs. */
  private Doubt doubt(List<Integer> tracks, Set<Long> alike) {
    List<Integer> heard =
        tracks.stream().filter(id -> !snapshot.raw(id, Fields.SOUND).isEmpty()).toList();
    boolean differs = !alike.containsAll(pairs(heard));
    return differs
        ? Doubt.SOUND_DIFFERS
        : heard.size() == tracks.size() ? Doubt.NONE : Doubt.NOT_HEARD;
  }
}
