package tenterhook.core.genre;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.CrateEffect;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.edit.GenreEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.find.Condition;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Finder;
import tenterhook.core.find.NamedLists;
import tenterhook.core.find.Parsed;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/** What was settled about genres, and what rules make of it. */
class GenresTest {
  private static final Genres TREE =
      Genres.NONE.under("Ska", "Island").under("Dub", "Island").under("Island", "Dance");

  private static final Snapshot SNAPSHOT =
      Tracks.none()
          .with("genre=Ska")
          .with("genre=Soul\u0000dub")
          .with("genre=Soul")
          .with("genre=Island")
          .snapshot();

  private static int[] found(String query, Codebook book) {
    Finder finder = new Finder(SNAPSHOT, book, NamedLists.NONE, LocalDate.of(2026, 1, 1));
    return finder.find(((Parsed.Good) FindParser.parse(query, book)).query()).toArray();
  }

  @Test
  void aRuleOnTheParentHoldsTheChildren() {
    Codebook book = Tracks.BOOK.with(TREE);
    assertThat(found("genre:island", book)).containsExactly(1, 2, 4);
    assertThat(found("genre:dance", book)).containsExactly(1, 2, 4);
    assertThat(found("genre:ska", book)).containsExactly(1);
    assertThat(found("not genre:island", book)).containsExactly(3);
    assertThat(found("genre:island", Tracks.BOOK)).containsExactly(4);
  }

  @Test
  void aGenreIsNeverPartOfItself() {
    assertThatThrownBy(() -> TREE.under("Dance", "Ska")).hasMessageContaining("part of itself");
    assertThat(TREE.under("Ska", "").above("Ska")).isEmpty();
    assertThat(TREE.above("SKA")).containsExactly("Island", "Dance");
  }

  @Test
  void oneGenreBecomesAnotherEverywhereAndLater() {
    Change change = GenreEdits.becomes(SNAPSHOT, Tracks.BOOK, SNAPSHOT.tracks(), "dub", "Dub");
    assertThat(change.title()).isEqualTo("dub becomes Dub on 1 track");
    assertThat(change.edits()).hasSize(2);
    assertThat(((Edit.SetField) change.edits().getFirst()).after()).isEqualTo("Soul\u0000Dub");
    Codebook after = ((Edit.SetCodebook) change.edits().getLast()).after();
    assertThat(after.genres().settled("DUB")).contains("Dub");
    assertThat(
            GenreEdits.becomes(SNAPSHOT, Tracks.BOOK, SNAPSHOT.tracks(), "Soul", "Soul; Rhythm")
                .edits())
        .hasSize(2);
  }

  @Test
  void whatCratesGainAndLoseIsToldBeforehand() {
    Condition ska = new Condition("genre", new Condition.AnyOf(List.of(new Condition.Part("Ska"))));
    Rule line = new Rule.Line(ska);
    Crates crates =
        Crates.NONE.plus(
            "Shelf",
            new Crate.RuleCrate("Ska night", new Rule.RuleGroup(Rule.Kind.ALL, List.of(line))));
    Snapshot after =
        SNAPSHOT.with(
            List.of(
                new Cell(1, Fields.GENRE, "Soul"),
                new Cell(3, Fields.GENRE, "Ska"),
                new Cell(4, Fields.GENRE, "Ska")));
    LocalDate today = LocalDate.of(2026, 1, 1);
    assertThat(
            CrateEffect.of(
                crates,
                new CrateContents(SNAPSHOT, Tracks.BOOK, crates, today),
                after,
                Tracks.ids(1, 3, 4)))
        .containsExactly(new CrateEffect("Ska night", 2, 1));
  }
}
