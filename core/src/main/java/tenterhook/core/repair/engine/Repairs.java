package tenterhook.core.repair.engine;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.ArtworkCandidate;
import tenterhook.core.repair.ExternalEvidence;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.RepairRules;
import tenterhook.core.repair.album.FromCatalogue;
import tenterhook.core.repair.album.WholeAlbum;
import tenterhook.core.repair.artwork.CoverArt;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.repair.inspect.Question;
import tenterhook.core.repair.letters.BrokenLetters;
import tenterhook.core.repair.letters.CapitalLetters;
import tenterhook.core.repair.letters.Comments;
import tenterhook.core.repair.names.FileNames;
import tenterhook.core.repair.names.FolderNames;
import tenterhook.core.repair.names.Junk;
import tenterhook.core.repair.names.TitleNames;
import tenterhook.core.repair.names.VersionForm;
import tenterhook.core.repair.numbers.BySound;
import tenterhook.core.repair.numbers.Discs;
import tenterhook.core.repair.numbers.FiguresBehind;
import tenterhook.core.repair.numbers.Reissues;
import tenterhook.core.repair.numbers.Tempo;
import tenterhook.core.repair.numbers.TrackNumbers;
import tenterhook.core.repair.numbers.Years;
import tenterhook.core.repair.own.OwnRecipes;
import tenterhook.core.repair.spellings.GenreSpellings;
import tenterhook.core.repair.spellings.OutOfStep;
import tenterhook.core.repair.spellings.Spellings;
import tenterhook.core.track.Snapshot;

/**
 * All proposals for a collection, kept in step. A track, a folder or a cluster of names is
 * inspected again only when something changed that was looked at when it was judged: inspectors say
 * what they asked about the whole collection, and the answers are compared. For one thread at a
 * time.
 */
public final class Repairs {
  private static final int BATCH = 40_000;
  private static final int PART = 2_000;
  private static final List<Inspector.TrackInspector> BY_TRACK =
      List.of(
          new Junk(),
          new VersionForm(),
          new CapitalLetters(),
          new BrokenLetters(),
          new Reissues(),
          new Discs(),
          new Tempo(),
          new BySound(),
          new Comments(),
          new OutOfStep(),
          new FiguresBehind(),
          new OwnRecipes(),
          new FromCatalogue());
  private static final List<Inspector.OfFolder> BY_FOLDER =
      List.of(
          new TitleNames(),
          new FileNames(),
          new FolderNames(),
          new Years(),
          new TrackNumbers(),
          new WholeAlbum(),
          new CoverArt());
  private static final List<Inspector.OfName> BY_NAME =
      List.of(
          new Spellings(RepairKind.ARTISTS, Fields.ARTIST),
          new Spellings(RepairKind.ARTISTS, Fields.ALBUM_ARTIST),
          new Spellings(RepairKind.ALBUMS, Fields.ALBUM),
          new Spellings(RepairKind.LABELS, Fields.LABEL),
          new GenreSpellings());

  private static final List<Field<?>> SPELLED =
      BY_NAME.stream().<Field<?>>map(Inspector.OfName::field).toList();

  private final NameIndex nameIndex = new NameIndex(SPELLED);
  private final Map<String, RoaringBitmap> folders = new HashMap<>();
  private final Map<InspectionUnit, List<Proposal>> found = new HashMap<>();

  /** What {@link #proposals} says as long as nothing else is found. */
  private @Nullable List<Proposal> shown;

  private final DependencyIndex<InspectionUnit> dependencies = new DependencyIndex<>(nameIndex);
  private final List<Respellings> respellings =
      BY_NAME.stream().map(inspector -> new Respellings(inspector, nameIndex)).toList();
  private Snapshot snapshot;
  private Codebook codebook;
  private RepairRules rules;
  private ExternalEvidence externalEvidence;
  private long inspected;

  /** What is judged at a time: a track, a folder, or a track's name in one field. */
  private record InspectionUnit(int inspector, int track, String folder) {}

  private Repairs(
      Snapshot snapshot, Codebook codebook, RepairRules rules, ExternalEvidence externalEvidence) {
    this.snapshot = snapshot;
    this.codebook = codebook;
    this.rules = rules;
    this.externalEvidence = externalEvidence;
  }

  /**
   * Inspects a whole collection.
   *
   * @param snapshot the tracks
   * @param codebook the legend: notation and genres count
   * @param rules what the DJ settled
   * @param surroundings what is known beside the tracks
   * @param progress told of every thousand tracks; a stop leaves the rest without proposals
   */
  public static Repairs of(
      Snapshot snapshot,
      Codebook codebook,
      RepairRules rules,
      ExternalEvidence externalEvidence,
      Progress progress) {
    Repairs repairs = new Repairs(snapshot, codebook, rules, externalEvidence);
    Dirty dirty = new Dirty();
    dirty.all = true;
    snapshot.tracks().forEach((int id) -> repairs.enter(id, 1, dirty));
    repairs.inspect(dirty, progress);
    return repairs;
  }

  /**
   * Follows a change.
   *
   * @param after the collection afterwards
   * @param book the legend afterwards
   * @param settled the rules afterwards
   * @param beside the surroundings afterwards
   * @param changed the tracks that may have changed, or about which the surroundings changed
   */
  public void follow(
      Snapshot after,
      Codebook book,
      RepairRules settled,
      ExternalEvidence beside,
      RoaringBitmap changed) {
    inspected = 0;
    Dirty dirty = new Dirty();
    boolean all =
        !settled.junk().equals(rules.junk())
            || !settled.own().equals(rules.own())
            || !book.notation().equals(codebook.notation());
    dirty.genres = !book.genres().equals(codebook.genres());
    RoaringBitmap before = RoaringBitmap.and(changed, snapshot.tracks());
    before.forEach((int id) -> enter(id, -1, dirty));
    snapshot = after;
    codebook = book;
    shown = settled.equals(rules) ? shown : null;
    rules = settled;
    externalEvidence = beside;
    RoaringBitmap now = RoaringBitmap.and(changed, after.tracks());
    now.forEach((int id) -> enter(id, 1, dirty));
    dirty.tracks.or(all ? after.tracks() : changed);
    inspect(dirty, Progress.SILENT);
  }

  /** What has to be looked at again. */
  private static final class Dirty {
    final RoaringBitmap tracks = new RoaringBitmap();
    final Set<String> folders = new HashSet<>();
    final Map<Field<?>, Set<String>> names = new LinkedHashMap<>();
    final Set<Question> questions = new HashSet<>();
    boolean genres;
    boolean all;

    void ask(Question question) {
      if (!all) {
        questions.add(question);
      }
    }
  }

  private void enter(int id, int step, Dirty dirty) {
    nameIndex.count(snapshot, id, step, dirty::ask);
    String folder = folderOf(id);
    RoaringBitmap inFolder = folders.computeIfAbsent(folder, f -> new RoaringBitmap());
    if (step > 0 && !snapshot.lost(id)) {
      inFolder.add(id);
    } else {
      inFolder.remove(id);
    }
    dirty.tracks.add(id);
    dirty.folders.add(folder);
    for (Field<?> field : dirty.all ? List.<Field<?>>of() : SPELLED) {
      for (String name : NameIndex.names(snapshot, id, field)) {
        dirty
            .names
            .computeIfAbsent(field, f -> new HashSet<>())
            .add(nameIndex.knownKey(field, name));
      }
    }
  }

  private String folderOf(int id) {
    return snapshot.raw(id, Fields.ROOT) + "/" + snapshot.raw(id, Fields.FOLDER);
  }

  private void inspect(Dirty dirty, Progress progress) {
    InspectionContext context =
        new InspectionContext(snapshot, codebook, rules, externalEvidence, nameIndex::answer);
    Set<InspectionUnit> asking = dependencies.concernedBy(dirty.questions);
    asking.removeIf(
        u ->
            u.track() > 0 && dirty.tracks.contains(u.track())
                || dirty.folders.contains(u.folder()));
    List<InspectionUnit> units = new ArrayList<>();
    for (int i = 0; i < BY_FOLDER.size(); i++) {
      for (String folder : dirty.folders) {
        units.add(new InspectionUnit(i, 0, folder));
      }
    }
    for (int i = 0; i < BY_TRACK.size(); i++) {
      int inspector = i;
      dirty.tracks.forEach((int id) -> units.add(new InspectionUnit(inspector, id, "")));
    }
    units.addAll(asking);
    inspected += units.size();
    for (int from = 0; from < units.size() && !progress.stopped(); from += BATCH) {
      List<InspectionUnit> batch = units.subList(from, Math.min(units.size(), from + BATCH));
      judged(batch).forEach(this::take);
      progress.at(from + batch.size(), units.size(), "");
    }
    for (int i = 0; i < BY_NAME.size() && !progress.stopped(); i++) {
      names(i, dirty, context);
    }
  }

  /** What was said about a unit, and what was asked for that. */
  private record JudgedUnit(InspectionUnit unit, List<Proposal> proposals, Set<Question> asked) {}

  /** Judges units, many of them on several cores; nothing is kept yet. */
  private List<JudgedUnit> judged(List<InspectionUnit> units) {
    int parts = Math.max(1, units.size() / PART);
    return IntStream.range(0, parts)
        .parallel()
        .mapToObj(
            part -> {
              InspectionContext own =
                  new InspectionContext(
                      snapshot, codebook, rules, externalEvidence, nameIndex::answer);
              int from = (int) ((long) units.size() * part / parts);
              int to = (int) ((long) units.size() * (part + 1) / parts);
              return units.subList(from, to).stream().map(u -> judge(u, own)).toList();
            })
        .flatMap(List::stream)
        .toList();
  }

  private JudgedUnit judge(InspectionUnit unit, InspectionContext context) {
    Set<Question> asked = context.noting();
    List<Proposal> proposals = new ArrayList<>(0);
    if (unit.folder().isEmpty()) {
      if (snapshot.has(unit.track()) && !snapshot.lost(unit.track())) {
        BY_TRACK.get(unit.inspector()).inspect(unit.track(), context, proposals::add);
      }
    } else {
      RoaringBitmap ids = folders.getOrDefault(unit.folder(), new RoaringBitmap());
      if (!ids.isEmpty()) {
        String path = unit.folder().substring(unit.folder().indexOf('/') + 1);
        Inspector.Folder folder = new Inspector.Folder(unit.folder(), path, ids);
        BY_FOLDER.get(unit.inspector()).inspect(folder, context, proposals::add);
      }
    }
    return new JudgedUnit(unit, proposals, asked.isEmpty() ? Set.of() : Set.copyOf(asked));
  }

  private void take(JudgedUnit judged) {
    keep(judged.unit(), judged.proposals());
    dependencies.remember(judged.unit(), judged.asked());
  }

  private void keep(InspectionUnit unit, List<Proposal> proposals) {
    List<Proposal> before = proposals.isEmpty() ? found.remove(unit) : found.put(unit, proposals);
    if (!proposals.equals(before == null ? List.of() : before)) {
      shown = null;
    }
  }

  /** Judges the clusters that hold a changed name, then the tracks whose spelling that concerns. */
  private void names(int place, Dirty dirty, InspectionContext context) {
    Respellings respelled = respellings.get(place);
    Field<?> field = respelled.field();
    boolean genres = dirty.genres && field == Fields.GENRE;
    Set<String> keys = new TreeSet<>(dirty.names.getOrDefault(field, Set.of()));
    keys.addAll(genres || dirty.all ? nameIndex.keys(field) : respelled.slipsOf(keys));
    inspected += keys.size();
    Set<String> other = respelled.judge(keys, context);
    boolean settled = field == Fields.GENRE && !codebook.genres().becomes().isEmpty();
    RoaringBitmap ids =
        genres || settled && !other.isEmpty()
            ? snapshot.tracks()
            : other.isEmpty() ? new RoaringBitmap() : having(other, field);
    ids.or(dirty.tracks);
    ids.forEach((int id) -> spelled(place, id, context));
  }

  private RoaringBitmap having(Set<String> spellings, Field<?> field) {
    byte[] hit = new byte[snapshot.column(field).dictionary().size()];
    return snapshot.tracks(
        id -> {
          int number = snapshot.column(field).number(id);
          if (hit[number] == 0) {
            boolean any =
                NameIndex.names(snapshot, id, field).stream().anyMatch(spellings::contains);
            hit[number] = (byte) (any ? 1 : 2);
          }
          return hit[number] == 1;
        });
  }

  private void spelled(int place, int id, InspectionContext context) {
    List<Proposal> proposals = new ArrayList<>(0);
    if (snapshot.has(id) && !snapshot.lost(id)) {
      respellings.get(place).propose(id, context, proposals::add);
    }
    keep(new InspectionUnit(BY_TRACK.size() + place, id, ""), proposals);
  }

  /**
   * The proposals that may be shown, by kind, decision and track. One that says the same as
   * another, or less, is left out. The same list as before when nothing else was found since.
   */
  public List<Proposal> proposals() {
    List<Proposal> known = shown;
    if (known == null) {
      known = wanted();
      shown = known;
    }
    return known;
  }

  private List<Proposal> wanted() {
    Map<Integer, List<Proposal>> byTrack = new HashMap<>();
    for (List<Proposal> some : found.values()) {
      for (Proposal one : some) {
        if (rules.wanted(one.kind(), one.id())) {
          byTrack.computeIfAbsent(one.id(), i -> new ArrayList<>(2)).add(one);
        }
      }
    }
    List<Proposal> all = new ArrayList<>();
    byTrack.values().forEach(mine -> distinct(mine, all));
    all.sort(
        Comparator.comparing(Proposal::kind)
            .thenComparing(Proposal::decision)
            .thenComparing(Proposal::id)
            .thenComparing(p -> p.edits().getFirst().field().key()));
    return Collections.unmodifiableList(all);
  }

  private static void distinct(List<Proposal> mine, List<Proposal> shown) {
    mine.sort(
        Comparator.comparingInt((Proposal p) -> -p.edits().size())
            .thenComparing(p -> -p.certainty())
            .thenComparing(Proposal::kind)
            .thenComparing(Proposal::decision));
    List<Proposal> kept = new ArrayList<>(mine.size());
    for (Proposal one : mine) {
      if (kept.stream().noneMatch(k -> k.covers(one))) {
        kept.add(one);
      }
    }
    shown.addAll(kept);
  }

  /** Whether it was made by this codebook, as far as repairs go by one. */
  public boolean knows(Codebook other) {
    return other.genres().equals(codebook.genres()) && other.notation().equals(codebook.notation());
  }

  /** The rules that it was made by. */
  public RepairRules rules() {
    return rules;
  }

  /** How many tracks, folders and clusters the last look took. */
  public long inspected() {
    return inspected;
  }

  /**
   * The covers that a track could have, the best first.
   *
   * @param id a track that is there
   */
  public List<ArtworkCandidate> artworkFor(int id) {
    String folder = folderOf(id);
    RoaringBitmap ids = folders.getOrDefault(folder, new RoaringBitmap());
    String album = snapshot.raw(id, Fields.ALBUM);
    RoaringBitmap same = new RoaringBitmap();
    Set<String> albums = new HashSet<>();
    ids.forEach(
        (int other) -> {
          albums.add(snapshot.raw(other, Fields.ALBUM));
          if (!album.isBlank() && snapshot.raw(other, Fields.ALBUM).equals(album)) {
            same.add(other);
          }
        });
    String path = folder.substring(folder.indexOf('/') + 1);
    return CoverArt.candidates(
        id,
        same,
        new Inspector.Folder(folder, path, ids),
        albums.stream().filter(a -> !a.isBlank()).count() <= 1,
        new InspectionContext(snapshot, codebook, rules, externalEvidence, nameIndex::answer));
  }
}
