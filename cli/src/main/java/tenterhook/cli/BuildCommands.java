package tenterhook.cli;

import java.util.List;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.code.Code;
import tenterhook.core.code.Facet;
import tenterhook.core.crate.Builders;
import tenterhook.core.crate.Coverage;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.Crates;
import tenterhook.core.crate.PlacedShelf;
import tenterhook.core.crate.Shelf;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** Crates made many at once, and the table of two facets. */
final class BuildCommands {
  private static final int DECADE = 10;

  private BuildCommands() {}

  /** Makes many crates. */
  @Command(
      name = "build",
      description = "Makes many crates at once; those that are there stay as they are.")
  static final class Build extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "SHELF", description = "Made if new.")
    String shelf;

    @ArgGroup(multiplicity = "1")
    BuildKind kind;

    @Option(
        names = "--named",
        paramLabel = "PATTERN",
        description = "Such as {meaning}, {from} to {to}, {shelf}: {crate}.")
    String pattern = "";

    /** What to make. */
    static final class BuildKind {
      @Option(names = "--codes", paramLabel = "FACET", description = "A crate per code.")
      String facet;

      @Option(names = "--decades", description = "A crate per decade.")
      boolean decades;

      @Option(names = "--years", paramLabel = "N", description = "A crate per N years.")
      int years;

      @Option(names = "--tempi", paramLabel = "N", description = "A crate per N bpm.")
      int tempi;

      @Option(names = "--like", paramLabel = "SHELF", description = "The crates of that shelf.")
      String model;
    }

    @Option(
        names = "--within",
        paramLabel = "FACET|decade",
        description =
            "On a shelf for each code of that facet (--codes), or for each decade"
                + " (--years 1).")
    String within = "";

    @Override
    void run(MusicCollection collection) {
      Crates now = collection.state().crates();
      Crates after = built(collection.state());
      int made = after.all().size() - now.all().size();
      apply(
          collection,
          CratesCommand.set(
              collection, "builds " + made + (made == 1 ? " crate" : " crates"), after));
    }

    private Crates built(CollectionState state) {
      Crates now = state.crates();
      if (!within.isEmpty()) {
        return Builders.addedShelves(now, shelf, shelves(state));
      }
      if (kind.facet != null) {
        return Builders.added(
            now, shelf, Builders.oneEach(facet(state, kind.facet), named("{meaning}")));
      }
      if (kind.model != null) {
        Shelf model =
            now.shelf(kind.model)
                .map(PlacedShelf::shelf)
                .orElseThrow(() -> new IllegalArgumentException("no shelf '" + kind.model + "'"));
        return Builders.shelves(now, List.of(shelf), model, named("{shelf}: {crate}"));
      }
      return Builders.added(now, shelf, series(state.snapshot()));
    }

    private List<Shelf> shelves(CollectionState state) {
      if (kind.facet != null) {
        return Builders.columnsInRows(
            new Coverage(state.snapshot(), state.codebook(), within, kind.facet),
            named("{row}: {column}"));
      }
      if (kind.years == 1 && within.equals("decade")) {
        return Builders.yearsInDecades(state.snapshot(), named("{from}"));
      }
      throw new IllegalArgumentException(
          "--within takes a facet beside --codes, or decade beside --years 1");
    }

    private static Facet facet(CollectionState state, String name) {
      return state
          .codebook()
          .facet(name)
          .orElseThrow(() -> new IllegalArgumentException("no facet '" + name + "'"));
    }

    private List<Crate> series(Snapshot snapshot) {
      if (kind.tempi > 0) {
        return Builders.series(snapshot, Fields.BPM, kind.tempi, named("{from} to {to} bpm"));
      }
      int step = kind.decades ? DECADE : kind.years;
      return Builders.series(
          snapshot, Fields.YEAR, step, named(kind.decades ? "{from}s" : "{from}"));
    }

    private String named(String usual) {
      return pattern.isEmpty() ? usual : pattern;
    }
  }

  /** Two facets crossed. */
  @Command(name = "coverage", description = "How many tracks carry a code of each of two facets.")
  static final class Table extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "ROWS", description = "A facet.")
    String rows;

    @Parameters(index = "1", paramLabel = "COLUMNS", description = "Another facet.")
    String columns;

    @Override
    void run(MusicCollection collection) {
      Coverage table =
          new Coverage(tracks(collection), collection.state().codebook(), rows, columns);
      for (Code row : table.rows().given()) {
        var node = object().put("row", row.token());
        StringBuilder words = new StringBuilder(String.format("%-8s", row.token()));
        for (Code column : table.columns().given()) {
          int count = table.count(row.token(), column.token());
          node.put(column.token(), count);
          words.append(String.format(" %s %d", column.token(), count));
        }
        say(node, words.toString());
      }
    }
  }
}
