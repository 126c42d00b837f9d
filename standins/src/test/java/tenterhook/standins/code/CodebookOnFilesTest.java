package tenterhook.standins.code;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Outcome;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Notation;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Recording;
import tenterhook.standins.synth.Synth;

/** Changes of the codebook on real files of every format, and back to the byte. */
class CodebookOnFilesTest {
  private static final Codebook BOOK =
      new Codebook(
          List.of(
              new Facet(
                  "Style",
                  "",
                  true,
                  true,
                  List.of(new Code("SKA", ""), new Code("DUB", ""), new Code("ELC", ""))),
              new Facet("Use", "", true, false, List.of(new Code("TRN", ""), new Code("LIV", "")))),
          Notation.DEFAULT);
  private static final List<Encoder.AudioForm> FORMS =
      Stream.of(Encoder.AudioForm.values()).filter(f -> f != Encoder.AudioForm.OPUS).toList();

  @TempDir Path folder;

  @BeforeEach
  void music() throws Exception {
    short[] samples = Synth.render(Recording.of(5, 140));
    Files.createDirectories(folder.resolve("Music"));
    for (Encoder.AudioForm form : FORMS) {
      Encoder.write(samples, folder.resolve("Music/song." + form.ending()), form, 128);
    }
  }

  private Map<String, String> bytes() throws Exception {
    Map<String, String> all = new TreeMap<>();
    try (Stream<Path> files = Files.list(folder.resolve("Music"))) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        all.put(file.getFileName().toString(), SafeFiles.hash(file));
      }
    }
    return all;
  }

  private static void apply(MusicCollection collection, Change change) {
    Outcome outcome = collection.apply(change, Progress.SILENT);
    assertThat(outcome.refused()).as(change.title()).isEmpty();
  }

  @Test
  void renamingMergingSplittingMovingAndRewritingAreTakenBackToTheByte() throws Exception {
    for (long seed = 1; seed <= 4; seed++) {
      Random random = new Random(seed);
      try (MusicCollection collection =
          MusicCollection.open(folder.resolve("c" + seed), InstantSource.system())) {
        collection.scan(folder.resolve("Music"), Progress.SILENT);
        Map<String, String> untouched = bytes();
        setUp(collection, random);
        CollectionState before = collection.state();
        Map<String, String> coded = bytes();
        int done = 0;
        for (int step = 0; step < 6; step++) {
          Change change = edit(collection.state(), random);
          if (!change.isEmpty()) {
            apply(collection, change);
            done++;
            ruleAsksForCodesOfTheBook(collection);
          }
        }
        assertThat(bytes()).as("something was written").isNotEqualTo(coded);
        for (; done > 0; done--) {
          collection.undo(collection.nextUndo().orElseThrow().number(), Progress.SILENT);
        }
        assertThat(bytes()).isEqualTo(coded);
        assertThat(collection.state().codebook()).isEqualTo(before.codebook());
        assertThat(collection.state().crates()).isEqualTo(before.crates());
        while (collection.nextUndo().isPresent()) {
          collection.undo(collection.nextUndo().get().number(), Progress.SILENT);
        }
        assertThat(bytes()).isEqualTo(untouched);
      }
    }
  }

  @Test
  void figuresStandInFilesOfEveryFormatAndFollowTheirValues() throws Exception {
    try (MusicCollection collection =
        MusicCollection.open(folder.resolve("figures"), InstantSource.system())) {
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      setUp(collection, new Random(7));
      Map<String, String> plain = bytes();
      CollectionState now = collection.state();
      apply(
          collection,
          CodebookEdits.figures(now.snapshot(), now.codebook(), "{key} {bpm} R{rating}"));
      Map<String, String> figured = bytes();
      RoaringBitmap all = now.snapshot().tracks();
      Snapshot snapshot = collection.state().snapshot();
      apply(collection, TrackEdits.set(snapshot, all, Map.of(Fields.RATING, "4")));
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      all.forEach(
          (int id) -> {
            String comment = collection.state().snapshot().raw(id, Fields.COMMENT);
            assertThat(comment).startsWith("long fade, wait").endsWith(" [Am 122 R4]");
            assertThat(comment.indexOf("[")).isEqualTo(comment.lastIndexOf("["));
          });
      collection.undo(collection.nextUndo().orElseThrow().number(), Progress.SILENT);
      assertThat(bytes()).isEqualTo(figured);
      collection.undo(collection.nextUndo().orElseThrow().number(), Progress.SILENT);
      assertThat(bytes()).isEqualTo(plain).isNotEqualTo(figured);
    }
  }

  /** A codebook, a crate that asks for codes, own words and some codes by chance on each track. */
  private static void setUp(MusicCollection collection, Random random) {
    CollectionState now = collection.state();
    Crate asks =
        new Crate.RuleCrate(
            "Asks",
            new Rule.RuleGroup(
                Rule.Kind.ALL,
                List.of(CrateJson.line("Style:SKA|DUB"), CrateJson.line("not code:TRN"))));
    apply(
        collection,
        new Change(
            "sets up",
            false,
            List.of(
                new Edit.SetCodebook(now.codebook(), BOOK),
                new Edit.SetCrates(now.crates(), Crates.NONE.plus("Rink", asks)))));
    var all = collection.state().snapshot().tracks();
    apply(
        collection,
        TrackEdits.set(
            collection.state().snapshot(),
            all,
            Map.of(Fields.COMMENT, "long fade, wait", Fields.BPM, "122", Fields.KEY, "Am")));
    all.forEach(
        (int id) -> {
          List<String> give = BOOK.tokens().stream().filter(t -> random.nextInt(3) > 0).toList();
          Change code =
              TrackEdits.code(
                  collection.state().snapshot(), BOOK, RoaringBitmap.bitmapOf(id), give, List.of());
          if (!code.isEmpty()) {
            apply(collection, code);
          }
        });
  }

  private static Change edit(CollectionState now, Random random) {
    List<String> tokens = now.codebook().tokens();
    String one = tokens.get(random.nextInt(tokens.size()));
    String other = tokens.get((tokens.indexOf(one) + 1) % tokens.size());
    String fresh = "N" + random.nextInt(10_000);
    String last = now.codebook().facets().getLast().name();
    var snapshot = now.snapshot();
    return switch (random.nextInt(7)) {
      case 0 -> CodebookEdits.rename(snapshot, now.codebook(), now.holders(), one, fresh);
      case 1 -> CodebookEdits.merge(snapshot, now.codebook(), now.holders(), one, other);
      case 2 ->
          CodebookEdits.split(
              snapshot, now.codebook(), one, new Code(fresh, ""), snapshot.tracks().limit(3));
      case 3 ->
          CodebookEdits.move(
              snapshot, now.codebook(), now.holders(), one, random.nextBoolean() ? last : "Style");
      case 4 ->
          CodebookEdits.write(
              snapshot,
              now.codebook(),
              now.codebook()
                  .notation()
                  .in(random.nextBoolean() ? "grouping" : "comment")
                  .in(Notation.Style.values()[random.nextInt(3)])
                  .ordered(random.nextBoolean(), random.nextBoolean(), random.nextBoolean()));
      case 5 ->
          CodebookEdits.figures(
              snapshot,
              now.codebook(),
              List.of("{bpm}", "{key} {bpm} R{rating}", "").get(random.nextInt(3)));
      default -> CodebookEdits.renameFacet(now.codebook(), now.holders(), last, "Use " + fresh);
    };
  }

  private static void ruleAsksForCodesOfTheBook(MusicCollection collection) {
    Codebook book = collection.state().codebook();
    Crate.RuleCrate asks =
        (Crate.RuleCrate) collection.state().crates().crate("Asks").orElseThrow();
    for (Rule.Line line : Rule.lines(asks.rule())) {
      assertThat(line.condition().values())
          .allSatisfy(v -> assertThat(book.known(v.text())).contains(v.text()));
    }
  }
}
