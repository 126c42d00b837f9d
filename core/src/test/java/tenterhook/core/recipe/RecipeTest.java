package tenterhook.core.recipe;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;
import tenterhook.core.Tracks;
import tenterhook.core.change.Change;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.recipe.RecipeStep.CapitalForm;
import tenterhook.core.recipe.RecipeText.Read;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackIds;

class RecipeTest {
  private static final Field<?>[] TEXTS = {
    Fields.ARTIST, Fields.TITLE, Fields.ALBUM, Fields.COMMENT, Fields.GENRE
  };

  private static Recipe recipe(String text) {
    Read read = RecipeText.read(text);
    assertThat(read).as(text).isInstanceOf(Read.Good.class);
    return ((Read.Good) read).recipe();
  }

  private static Snapshot one(String... values) {
    return Tracks.none().with(values).snapshot();
  }

  private static RecipeRun run(String recipe, Snapshot snapshot) {
    return RecipeRun.of(recipe(recipe), snapshot, Tracks.BOOK, TrackIds.of(snapshot.tracks()));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "replace title \" (Official Video)\" \"\"; title; Cold Lamps (Official Video); Cold Lamps",
        "pattern title \"^(\\\\d+)[ .]+(.*)$\" $2; title; 07. Cold Lamps; Cold Lamps",
        "pattern title ^(\\d+)\\W+(.*)$ $2; title; 07. Cold Lamps; Cold Lamps",
        "before title \"Live: \"; title; Cold Lamps; Live: Cold Lamps",
        "before title \"Live: \"; title; Live: Cold Lamps; Live: Cold Lamps",
        "behind title \" (live)\"; title; Cold Lamps; Cold Lamps (live)",
        "behind title \" (live)\"; title; ''; ''",
        "capitals title rule; title; COLD LAMPS OF THE SEA; Cold Lamps of the Sea",
        "capitals title sentence; title; COLD LAMPS; Cold lamps",
        "capitals title upper; title; Éloïse; ÉLOÏSE",
        "capitals title lower; title; COLD; cold",
        "trim title; title; '  Cold   Lamps '; Cold Lamps",
        "clear album; album; Slipway; ''",
        "give year 1987; year; ''; 1987",
        "number track 5; track; ''; 5",
        "number track; track; 9; 1"
      })
  void eachStepDoesWhatItSays(String recipe, String field, String before, String after) {
    Snapshot snapshot = one(field + "=" + before);
    Snapshot then = Tracks.after(snapshot, run(recipe, snapshot).change());
    assertThat(then.raw(1, Fields.of(field))).isEqualTo(after);
  }

  @Test
  void fieldsAreCopiedSwappedSplitAndJoined() {
    Snapshot snapshot = one("artist=Cold Lamps", "title=Pewter Wren & Varda Pell", "genre=Ska");
    String recipe =
        """
        swap artist title
        split artist " & "
        copy artist albumArtist
        join albumArtist " + "
        codes +SKA +80S\
        """;
    Snapshot then = Tracks.after(snapshot, run(recipe, snapshot).change());
    assertThat(then.raw(1, Fields.ARTIST)).isEqualTo("Pewter Wren\u0000Varda Pell");
    assertThat(then.raw(1, Fields.TITLE)).isEqualTo("Cold Lamps");
    assertThat(then.raw(1, Fields.ALBUM_ARTIST)).isEqualTo("Pewter Wren + Varda Pell");
    assertThat(then.value(1, Fields.CODES)).contains(List.of("80S", "SKA"));
  }

  @Test
  void codesStayBehindOwnWordsWhateverBecomesOfThese() {
    Snapshot snapshot = one("comment=long fade /80S/SKA/WLD/");
    for (String recipe :
        List.of(
            "clear comment",
            "replace comment / -",
            "capitals comment lower",
            "give comment \"other words\"",
            "pattern comment . x",
            "copy title comment")) {
      Snapshot then = Tracks.after(snapshot, run(recipe, snapshot).change());
      assertThat(then.value(1, Fields.CODES)).as(recipe).contains(List.of("80S", "SKA"));
      assertThat(then.value(1, Fields.STRAYS)).as(recipe).contains(List.of("WLD"));
    }
  }

  @Test
  void eachOfSeveralValuesIsChangedAndWhatBecomesAlikeIsOne() {
    Snapshot snapshot = one("artist=ottoline fask\u0000OTTOLINE FASK\u0000feat. Varda Pell");
    Snapshot then =
        Tracks.after(
            snapshot,
            run("capitals artist rule\nreplace artist \"feat. \" \"\"", snapshot).change());
    assertThat(then.raw(1, Fields.ARTIST).split("\u0000"))
        .hasSize(2)
        .startsWith("Ottoline Fask")
        .allMatch(v -> !v.isBlank());
    assertThat(then.raw(1, Fields.ARTIST)).containsIgnoringCase("varda pell");
  }

  @Test
  void whatCannotBeIsRefusedForThatTrackAloneWithTheReason() {
    Snapshot snapshot =
        Tracks.none()
            .with("title=1987")
            .with("title=soon")
            .with("title=1988", "guarded=yes")
            .with("title=1989", "state=lost")
            .snapshot();
    RecipeRun run = run("copy title year", snapshot);
    assertThat(run.tracks().get(0).edits()).hasSize(1);
    assertThat(run.tracks().get(1).refused()).get().asString().contains("year \"soon\"");
    assertThat(run.tracks().get(2).refused()).contains("it is guarded");
    assertThat(run.tracks().get(3).refused()).contains("its file is lost");
    assertThat(run.changing()).isEqualTo(1);
    assertThat(run.refusals()).isEqualTo(3);
    assertThat(run.change().title()).isEqualTo("year on 1 track");
  }

  @Test
  void aPatternThatWouldRunForEverIsRefused() {
    Snapshot snapshot = one("title=" + "a".repeat(60) + "!");
    RecipeRun run = run("pattern title ^(.*)(.*)(.*)(.*)(.*)(.*)(.*)x$ x", snapshot);
    assertThat(run.tracks().getFirst().refused()).get().asString().contains("too long");
    assertThat(run("pattern title (a) $2", snapshot).tracks().getFirst().refused()).isPresent();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "replase title a b; 0; 0; no step is called 'replase'",
        "replace titel a b; 0; 8; no field is called 'titel'",
        "replace title a; 0; 15; other words is missing",
        "replace title \"a b; 0; 14; not closed",
        "trim title x; 0; 11; nothing more",
        "pattern title a(b x; 0; 17; the pattern is wrong",
        "capitals title big; 0; 15; write rule",
        "codes SKA; 0; 6; +CODE",
        "split title x; 0; 0; never several",
        "give size 5; 0; 0; cannot be set"
      })
  void aWrongLineIsShownWithItsPosition(String text, int line, int position, String message) {
    assertThat(RecipeText.read(text))
        .isInstanceOfSatisfying(
            Read.Bad.class,
            bad -> {
              assertThat(bad.message()).contains(message);
              assertThat(bad.line()).isEqualTo(line);
              assertThat(bad.position()).isEqualTo(position);
            });
    assertThat(RecipeText.read("trim title\n\n" + text))
        .isInstanceOfSatisfying(Read.Bad.class, bad -> assertThat(bad.line()).isEqualTo(2));
  }

  @Test
  void stepsThatMeanNothingCannotBeMade() {
    assertThatThrownBy(() -> new RecipeStep.Replace(Fields.TITLE, "", "x"))
        .hasMessageContaining("words to be replaced");
    assertThatThrownBy(() -> new RecipeStep.ReplacePattern(Fields.TITLE, "", "x"))
        .hasMessageContaining("a pattern");
    assertThatThrownBy(() -> new RecipeStep.Swap(Fields.TITLE, Fields.TITLE))
        .hasMessageContaining("two fields");
    assertThatThrownBy(() -> new RecipeStep.Give(Fields.TITLE, " ")).hasMessageContaining("Clear");
  }

  private static Field<?> field(Random random) {
    return TEXTS[random.nextInt(TEXTS.length)];
  }

  private static String letters(Random random) {
    return random.nextInt(6) == 0
        ? Seeds.text(random, 4) + "x"
        : Seeds.text(random, 1, 4, "aAb (.&\\\"\n$");
  }

  private static RecipeStep step(Random random) {
    return switch (random.nextInt(10)) {
      case 0 -> new RecipeStep.Replace(field(random), letters(random), letters(random));
      case 1 -> new RecipeStep.ReplacePattern(field(random), "([ab]+)", "$1-");
      case 2 -> new RecipeStep.Put(field(random), letters(random), random.nextBoolean());
      case 3 -> new RecipeStep.Copy(Fields.TITLE, Fields.ALBUM);
      case 4 -> new RecipeStep.Swap(Fields.ARTIST, Fields.TITLE);
      case 5 -> new RecipeStep.SetCapitals(field(random), Seeds.any(random, CapitalForm.values()));
      case 6 -> new RecipeStep.Split(Fields.ARTIST, letters(random));
      case 7 -> new RecipeStep.Join(Fields.GENRE, letters(random));
      case 8 -> new RecipeStep.Trim(field(random));
      default -> new RecipeStep.ChangeCodes(List.of("SKA"), List.of("TRN"));
    };
  }

  private static Snapshot random(Random random) {
    Tracks tracks = Tracks.none();
    for (int i = 1 + random.nextInt(12); i > 0; i--) {
      tracks.with(
          "artist=" + Seeds.text(random, 0, 8, "abAB &\u0000(."),
          "title=" + Seeds.text(random, 8),
          "album=" + Seeds.text(random, 0, 8, "ab A&"),
          "genre=" + Seeds.any(random, "", "Ska", "Ska\u0000Dub"),
          "comment=" + Seeds.any(random, "", "mine", "mine /80S/ELC/", "/SKA/TRN/"),
          "guarded=" + Seeds.any(random, "", "", "", "yes"));
    }
    return tracks.snapshot();
  }

  @Seeded
  void whatIsShownIsWhatIsDoneAndItsInverseGivesAllBack(long block) {
    Seeds.each(
        block,
        400,
        r -> {
          Recipe recipe = new Recipe(Seeds.list(r, 1, 4, RecipeTest::step));
          Snapshot before = random(r);
          RecipeRun run = RecipeRun.of(recipe, before, Tracks.BOOK, TrackIds.of(before.tracks()));
          Change change = run.change();
          Snapshot after = Tracks.after(before, change);
          run.edits().forEach(e -> assertThat(after.raw(e.id(), e.field())).isEqualTo(e.after()));
          Snapshot back = Tracks.after(after, change.inverse("back"));
          before
              .tracks()
              .forEach(
                  (int id) ->
                      Fields.inFile()
                          .forEach(f -> assertThat(back.raw(id, f)).isEqualTo(before.raw(id, f))));
          assertThat(recipe(RecipeText.write(recipe))).isEqualTo(recipe);
        });
  }

  private static RecipeStep settling(Random random) {
    return switch (random.nextInt(6)) {
      case 0 -> new RecipeStep.Put(Fields.ALBUM, "x", random.nextBoolean());
      case 1 -> new RecipeStep.Give(Fields.ALBUM, "Slipway");
      case 2 -> new RecipeStep.SetCapitals(Fields.TITLE, CapitalForm.UPPER);
      case 3 -> new RecipeStep.Trim(Fields.TITLE);
      case 4 -> new RecipeStep.Clear(Fields.GENRE);
      default -> new RecipeStep.ChangeCodes(List.of("SKA"), List.of("TRN"));
    };
  }

  @Seeded
  void aSecondRunOfARecipeThatSettlesChangesNothing(long block) {
    Seeds.each(
        block,
        200,
        r -> {
          RecipeStep only = settling(r);
          Recipe recipe = new Recipe(new ArrayList<>(List.of(only)));
          Snapshot before = random(r);
          TrackIds ids = TrackIds.of(before.tracks());
          Snapshot after =
              Tracks.after(before, RecipeRun.of(recipe, before, Tracks.BOOK, ids).change());
          assertThat(RecipeRun.of(recipe, after, Tracks.BOOK, ids).changing())
              .as(only.toString())
              .isZero();
        });
  }
}
