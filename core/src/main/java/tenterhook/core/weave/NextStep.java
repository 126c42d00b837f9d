package tenterhook.core.weave;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.duplicate.Duplicates;
import tenterhook.core.duplicate.Group;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Decision;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.track.Column;
import tenterhook.core.track.Snapshot;

/**
 * Something worth doing next.
 *
 * @param kind where it is done
 * @param subject the folder, facet, column or kind of repairs it is about; empty for none
 * @param holes how many holes it closes, or tracks it concerns
 * @param decisions how many decisions that takes, 1 or more
 * @param tracks the tracks it concerns
 */
public record NextStep(
    StepKind kind, String subject, int holes, int decisions, RoaringBitmap tracks) {
  /** Where it is done. */
  public enum StepKind {
    /** A folder whose files are all lost: one decision brings them back. */
    LOST_FOLDER,
    /** Single lost files. */
    LOST_FILES,
    /** Proposals of one kind. */
    REPAIRS,
    /** Groups of byte copies. */
    DUPLICATES,
    /** Tokens that are not in the codebook. */
    STRAYS,
    /** Tracks without a code of a facet. */
    CODES,
    /** Tracks with a hole in a field. */
    FIELD
  }

  /** A folder counts as lost as a whole from this many lost files on. */
  private static final int WHOLE_FOLDER = 3;

  /** So many kinds of repairs at most, that other stations have their say. */
  private static final int MOST_REPAIRS = 3;

  private static final Comparator<NextStep> BEST_FIRST =
      Comparator.comparingDouble((NextStep s) -> -s.holes() / (double) s.decisions())
          .thenComparing(s -> -s.holes());

  /** Checks and copies. */
  public NextStep {
    if (decisions < 1) {
      throw new IllegalArgumentException("a step takes 1 decision or more, was " + decisions);
    }
    tracks = tracks.clone();
  }

  @Override
  public RoaringBitmap tracks() {
    return tracks.clone();
  }

  /**
   * The steps that a collection offers, most holes closed per decision first.
   *
   * @param weave the count of holes
   * @param snapshot the collection it counted
   * @param proposals what could be mended, as far as that was looked for
   * @param most how many steps at the most
   */
  public static List<NextStep> of(
      Weave weave, Snapshot snapshot, List<Proposal> proposals, int most) {
    List<NextStep> steps = new ArrayList<>(lost(weave, snapshot));
    steps.addAll(repairs(proposals));
    List<Group> copies = Duplicates.sameBytes(snapshot);
    if (!copies.isEmpty()) {
      RoaringBitmap ids = new RoaringBitmap();
      copies.forEach(g -> g.tracks().forEach(ids::add));
      steps.add(
          new NextStep(
              StepKind.DUPLICATES, "", ids.getCardinality() - copies.size(), copies.size(), ids));
    }
    strays(snapshot, steps);
    for (int i = 0; i < weave.columns().size(); i++) {
      WeaveColumn column = weave.columns().get(i);
      int holes = weave.total().holes().get(i);
      if (holes > 0 && !column.key().equals(WeaveColumn.PRESENT)) {
        StepKind kind = column.facet() ? StepKind.CODES : StepKind.FIELD;
        steps.add(new NextStep(kind, column.key(), holes, holes, weave.holes(column)));
      }
    }
    steps.sort(BEST_FIRST);
    return List.copyOf(steps.subList(0, Math.min(most, steps.size())));
  }

  private static List<NextStep> lost(Weave weave, Snapshot snapshot) {
    Map<String, RoaringBitmap> byFolder = new HashMap<>();
    weave
        .holes(weave.columns().getFirst())
        .forEach(
            (int id) ->
                byFolder
                    .computeIfAbsent(snapshot.raw(id, Fields.FOLDER), f -> new RoaringBitmap())
                    .add(id));
    List<NextStep> steps = new ArrayList<>();
    RoaringBitmap single = new RoaringBitmap();
    int[] inFolder = tracksByFolder(snapshot);
    byFolder.forEach(
        (folder, ids) -> {
          int all = inFolder[snapshot.column(Fields.FOLDER).number(ids.first())];
          if (ids.getCardinality() >= WHOLE_FOLDER && ids.getCardinality() == all) {
            steps.add(new NextStep(StepKind.LOST_FOLDER, folder, ids.getCardinality(), 1, ids));
          } else {
            single.or(ids);
          }
        });
    if (!single.isEmpty()) {
      int count = single.getCardinality();
      steps.add(new NextStep(StepKind.LOST_FILES, "", count, count, single));
    }
    return steps;
  }

  /** How many tracks each folder has, by the number of its name. */
  private static int[] tracksByFolder(Snapshot snapshot) {
    Column folders = snapshot.column(Fields.FOLDER);
    int[] counts = new int[folders.dictionary().size()];
    snapshot.tracks().forEach((int id) -> counts[folders.number(id)]++);
    return counts;
  }

  private static List<NextStep> repairs(List<Proposal> proposals) {
    Map<RepairKind, List<Decision>> kinds = new EnumMap<>(RepairKind.class);
    Decision.of(proposals)
        .forEach(d -> kinds.computeIfAbsent(d.kind(), k -> new ArrayList<>()).add(d));
    List<NextStep> steps = new ArrayList<>();
    kinds.forEach(
        (kind, decisions) -> {
          int closes = decisions.stream().mapToInt(Decision::closes).sum();
          RoaringBitmap ids = new RoaringBitmap();
          decisions.forEach(d -> d.proposals().forEach(p -> ids.add(p.id())));
          if (closes > 0) {
            steps.add(new NextStep(StepKind.REPAIRS, kind.key(), closes, decisions.size(), ids));
          }
        });
    steps.sort(BEST_FIRST);
    return steps.subList(0, Math.min(MOST_REPAIRS, steps.size()));
  }

  private static void strays(Snapshot snapshot, List<NextStep> steps) {
    RoaringBitmap ids = new RoaringBitmap();
    java.util.Set<String> tokens = new java.util.HashSet<>();
    snapshot
        .tracks(id -> !snapshot.isBlank(id, Fields.STRAYS))
        .forEach(
            (int id) ->
                snapshot
                    .value(id, Fields.STRAYS)
                    .ifPresent(
                        s -> {
                          tokens.addAll(s);
                          ids.add(id);
                        }));
    if (!ids.isEmpty()) {
      steps.add(new NextStep(StepKind.STRAYS, "", ids.getCardinality(), tokens.size(), ids));
    }
  }
}
