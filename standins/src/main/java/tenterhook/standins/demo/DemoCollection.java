package tenterhook.standins.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import tenterhook.adapters.catalogue.CatalogueSources;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.store.CollectionRefused;
import tenterhook.adapters.store.CrateJson;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.ItemKinds;
import tenterhook.core.code.Notation;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.Rule;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;
import tenterhook.core.track.TrackOrder;

/** The demo as a whole: music, codebook, crates, gigs, and the mishaps that happened since. */
public final class DemoCollection {
  private static final String FERRY = "Ferry disk";

  private DemoCollection() {}

  /**
   * Opens the demo in a folder; makes it first when it is not there.
   *
   * @param folder holds {@code music} and {@code collection}
   * @param tracks about how many
   * @param progress told of every step
   * @throws IOException when it cannot be made
   * @throws CollectionRefused when it is open elsewhere
   */
  public static MusicCollection open(Path folder, int tracks, Progress progress)
      throws IOException, CollectionRefused {
    Path music = folder.resolve("music");
    if (!Files.exists(music.resolve(DemoMusic.TRUTH))) {
      DemoMusic.make(music, tracks, progress);
    }
    MusicCollection collection =
        MusicCollection.open(folder.resolve("collection"), InstantSource.system());
    if (collection.state().snapshot().count() == 0) {
      collection.scan(music, progress);
      collection.apply(furnish(collection), progress);
      DemoMusic.mishaps(music, tracks);
      collection.scan(music, progress);
      collection.compareCopies(progress);
      ferryDisk(collection, folder, progress);
      collection.apply(gigs(collection), progress);
    }
    if (!CatalogueSources.chosen(collection)) {
      CatalogueSources.keep(collection, List.of(CatalogueSources.DEMO));
    }
    return collection;
  }

  /** The disk of the night ferry, which the collection knows and which is not connected now. */
  private static void ferryDisk(MusicCollection collection, Path folder, Progress progress)
      throws IOException {
    Path disk = folder.resolve(FERRY);
    DemoMusic.ferry(disk);
    collection.scan(disk, progress);
    Path drawer = Files.createDirectories(folder.resolve("In the drawer"));
    Files.move(disk, drawer.resolve(FERRY));
  }

  private static Change furnish(MusicCollection collection) {
    return new Change(
        "the demo's codebook and crates",
        true,
        List.of(
            new Edit.SetCodebook(collection.state().codebook(), codebook()),
            new Edit.SetCrates(
                collection.state().crates(), crates(collection.state().snapshot()))));
  }

  private static Change gigs(MusicCollection collection) {
    return new Change(
        "the demo's gigs",
        true,
        List.of(
            new Edit.SetGigs(
                collection.state().gigs(),
                DemoGigs.of(collection.state().snapshot(), collection.today()))));
  }

  /** The demo's codebook. */
  public static Codebook codebook() {
    return new Codebook(
            List.of(
                facet(
                    "Era",
                    "when is it from?",
                    false,
                    true,
                    "60S sixties,70S seventies,80S eighties,90S nineties,00S noughties,10S tens,20S"
                        + " twenties"),
                facet(
                    "Style",
                    "what is it?",
                    true,
                    true,
                    "SKA ska,SOU soul,ELC electro,SYN synth pop,HIL highlife,CIT city pop,DUB"
                        + " dub,GAR garage"),
                facet(
                    "Pace", "how fast do they skate?", false, true, "GLD glide,LAP lap,SPR sprint"),
                facet(
                    "Moment",
                    "when in the night?",
                    true,
                    true,
                    "DRS doors,PAI pairs,ICE ice break,FIN last lap,DEK deck,LNG lounge"),
                facet("Voice", "is there singing?", false, false, "VOX voice,INS instrumental"),
                facet(
                    "Crowd",
                    "who is there?",
                    true,
                    false,
                    "KID children,ALL all ages,LTN late night"),
                facet(
                    "Use",
                    "what else is it for?",
                    true,
                    false,
                    "TRN transition,TLK spoken,LIV live")),
            Notation.DEFAULT)
        .with(ItemKinds.DEFAULT);
  }

  /** What follows from the data: eras from the year, paces from the tempo. */
  private static final Map<String, String> RULES =
      Map.of(
          "60S", "year:1960..1969",
          "70S", "year:1970..1979",
          "80S", "year:1980..1989",
          "90S", "year:1990..1999",
          "00S", "year:2000..2009",
          "10S", "year:2010..2019",
          "20S", "year:2020..2029",
          "GLD", "bpm:20..94.9",
          "LAP", "bpm:95..124.9",
          "SPR", "bpm:125..220");

  private static Facet facet(
      String name, String question, boolean many, boolean demanded, String codes) {
    List<Code> list =
        List.of(codes.split(",")).stream()
            .map(c -> new Code(c.split(" ", 2)[0], c.split(" ", 2)[1]))
            .map(c -> c.by(RULES.getOrDefault(c.token(), "")))
            .toList();
    return new Facet(name, question, many, demanded, list);
  }

  /** The demo's shelves. */
  private static Crates crates(Snapshot snapshot) {
    List<Integer> byHand = snapshot.tracks().stream().boxed().filter(id -> id % 29 == 3).toList();
    return Crates.NONE
        .plus("Rink nights", rule("Doors open", "Moment:DRS"))
        .plus(
            "Rink nights",
            new Crate.RuleCrate("Fast laps", fastLaps())
                .sorted(List.of(new TrackOrder.Key("bpm", false))))
        .plus("Rink nights", rule("Pairs only", "Moment:PAI"))
        .plus("Rink nights", rule("Ice break", "Moment:ICE"))
        .plus("Night ferry", rule("Sunset deck", "Moment:DEK|LNG", "bpm:..110"))
        .plus("Night ferry", rule("Breakfast lounge", "Moment:LNG", "bpm:..100"))
        .plus("By decade", rule("1980s", "year:1980..1989"))
        .plus("By decade", rule("1990s", "year:1990..1999"))
        .plus("Loose crates", new Crate.HandCrate("Lantern parade", byHand));
  }

  private static Rule.RuleGroup fastLaps() {
    return new Rule.RuleGroup(
        Rule.Kind.ALL,
        List.of(
            CrateJson.line("Style:SKA|ELC|GAR|SYN"),
            CrateJson.line("Pace:LAP|SPR"),
            CrateJson.line("bpm:105..150"),
            new Rule.RuleGroup(
                Rule.Kind.NONE,
                List.of(CrateJson.line("code:TRN"), CrateJson.line("crate:\"Pairs only\"")))));
  }

  private static Crate rule(String name, String... lines) {
    return new Crate.RuleCrate(
        name,
        new Rule.RuleGroup(
            Rule.Kind.ALL, List.of(lines).stream().map(l -> (Rule) CrateJson.line(l)).toList()));
  }
}
