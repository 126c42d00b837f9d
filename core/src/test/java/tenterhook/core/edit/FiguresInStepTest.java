package tenterhook.core.edit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Figures;
import tenterhook.core.code.Notation;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.repair.ExternalEvidence;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.RepairRules;
import tenterhook.core.repair.engine.Repairs;
import tenterhook.core.track.Snapshot;

class FiguresInStepTest {
  private static final Codebook BOOK =
      Tracks.BOOK.with(Notation.DEFAULT.with(Figures.of("{key} {bpm} {rating}*")));

  @Test
  void figuresFollowValuesWithinTheSameChange() {
    Snapshot snapshot =
        Tracks.none()
            .with("comment=fade /SKA/ [Am 120]", "key=Am", "bpm=120")
            .with("title=Drift")
            .snapshot();
    Change set =
        TrackEdits.set(snapshot, Tracks.ids(1, 2), Map.of(Fields.BPM, "124.4", Fields.YEAR, ""));
    Change change = FiguresInStep.with(snapshot, BOOK, set);
    assertThat(change.edits())
        .containsExactly(
            new Edit.SetField(1, Fields.BPM, "120", "124.4"),
            new Edit.SetField(2, Fields.BPM, "", "124.4"),
            new Edit.SetField(1, Fields.COMMENT, "fade /SKA/ [Am 120]", "fade /SKA/ [Am 124]"),
            new Edit.SetField(2, Fields.COMMENT, "", "[124]"));
    assertThat(change.title()).isEqualTo(set.title());
    Change year = TrackEdits.set(snapshot, Tracks.ids(1), Map.of(Fields.YEAR, "1987"));
    assertThat(FiguresInStep.with(snapshot, BOOK, year)).isEqualTo(year);
    assertThat(FiguresInStep.with(snapshot, Tracks.BOOK, set)).isEqualTo(set);
  }

  @Test
  void figuresFollowBesideAnEditOfTheCodebookThatWritesCodesAsBefore() {
    Snapshot snapshot = Tracks.none().with("comment=fade [120]", "bpm=120").snapshot();
    List<Edit> edits =
        List.of(
            new Edit.SetCodebook(BOOK, BOOK.ignoring("HUSH", true)),
            new Edit.SetField(1, Fields.BPM, "120", "124"));
    assertThat(FiguresInStep.with(snapshot, BOOK, new Change("both", true, edits)).edits())
        .contains(new Edit.SetField(1, Fields.COMMENT, "fade [120]", "fade [124]"));
  }

  @Test
  void aCommentTypedWithoutItsFiguresGetsThemBack() {
    Snapshot snapshot = Tracks.none().with("comment=fade [Am 120]", "key=Am", "bpm=120").snapshot();
    Change typed = TrackEdits.set(snapshot, Tracks.ids(1), Map.of(Fields.COMMENT, "other words"));
    assertThat(FiguresInStep.with(snapshot, BOOK, typed).edits())
        .containsExactly(
            new Edit.SetField(1, Fields.COMMENT, "fade [Am 120]", "other words [Am 120]"));
  }

  @Test
  void takingTheFiguresAwayLeavesWordsAndCodes() {
    Snapshot before =
        Tracks.none()
            .with("comment=fade /SKA/", "bpm=120")
            .with("comment=[3*] of mine")
            .with("comment=brought along [99 5*]", "bpm=99", "rating=4")
            .with("title=Drift")
            .snapshot();
    Codebook book = Tracks.BOOK;
    Change on = CodebookEdits.figures(before, book, "{bpm} {rating}*");
    Snapshot with = after(before, on);
    assertThat(comments(with))
        .containsExactly("fade /SKA/ [120]", "[3*] of mine []", "brought along [99 4*]", "");
    Codebook figured = ((Edit.SetCodebook) on.edits().getFirst()).after();
    Change off = CodebookEdits.figures(with, figured, "");
    assertThat(comments(after(with, off)))
        .containsExactly("fade /SKA/", "[3*] of mine []", "brought along", "");
  }

  private static List<String> comments(Snapshot snapshot) {
    List<String> comments = new ArrayList<>();
    snapshot.tracks().forEach((int id) -> comments.add(snapshot.raw(id, Fields.COMMENT)));
    return comments;
  }

  private static Snapshot after(Snapshot before, Change change) {
    List<Edit> ofTracks = change.edits().stream().filter(Edit.OfTrack.class::isInstance).toList();
    return Tracks.after(before, new Change(change.title(), false, ofTracks));
  }

  @Seeded
  void anyRowOfChangesLeavesAllFiguresInStepAndIsTakenBackExactly(long block) {
    Seeds.each(
        block,
        200,
        random -> {
          Snapshot start =
              after(some(random), CodebookEdits.write(some(random), BOOK, BOOK.notation()));
          Snapshot now = start;
          List<Change> done = new ArrayList<>();
          for (int i = 0; i < 6; i++) {
            Change change = FiguresInStep.with(now, BOOK, any(random, now));
            now = Tracks.after(now, change);
            done.add(change);
            inStep(now, change);
          }
          for (Change change : done.reversed()) {
            now = Tracks.after(now, change.inverse("back"));
          }
          assertThat(comments(now)).isEqualTo(comments(start));
        });
  }

  private static void inStep(Snapshot now, Change change) {
    change
        .tracks()
        .forEach(
            (int id) -> {
              String text = now.raw(id, Fields.COMMENT);
              assertThat(text)
                  .as(change.title())
                  .isEqualTo(BOOK.notation().inStep(text, f -> now.raw(id, f)));
            });
  }

  private static Change any(Random random, Snapshot now) {
    var ids = Tracks.ids(1 + random.nextInt(5), 1 + random.nextInt(5));
    return switch (random.nextInt(4)) {
      case 0 -> TrackEdits.code(now, BOOK, ids, List.of("SKA"), List.of("TRN"));
      case 1 -> TrackEdits.code(now, BOOK, ids, List.of("90S", "TRN"), List.of("SKA"));
      case 2 ->
          TrackEdits.set(now, ids, Map.of(Fields.COMMENT, Seeds.text(random, 0, 6, "a [1*]")));
      default ->
          TrackEdits.set(
              now,
              ids,
              Map.of(
                  Fields.BPM, Seeds.any(random, "", "99", "121.6"),
                  Fields.RATING, Seeds.any(random, "", "3", "5")));
    };
  }

  private static Snapshot some(Random random) {
    Tracks tracks = Tracks.none();
    for (int i = 0; i < 5; i++) {
      tracks.with("comment=" + Seeds.any(random, "", "fade", "fade /SKA/"), "key=Am", "bpm=99");
    }
    return tracks.snapshot();
  }

  @Test
  void whatAnotherProgramLeftBehindIsARepair() {
    Snapshot snapshot =
        Tracks.none()
            .with("comment=fade [Am 120]", "key=Am", "bpm=120")
            .with("comment=fade /SKA/ [Am 118]", "key=Am", "bpm=120")
            .with("comment=late", "bpm=99")
            .snapshot();
    List<Proposal> found =
        Repairs.of(
                snapshot, BOOK, RepairRules.DEFAULT, ExternalEvidence.none(2026), Progress.SILENT)
            .proposals()
            .stream()
            .filter(p -> p.kind() == RepairKind.FIGURES)
            .toList();
    assertThat(found.stream().flatMap(p -> p.edits().stream()))
        .containsExactly(
            new Edit.SetField(2, Fields.COMMENT, "fade /SKA/ [Am 118]", "fade /SKA/ [Am 120]"),
            new Edit.SetField(3, Fields.COMMENT, "late", "late [99]"));
  }
}
