package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Clashes;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.Facet;
import tenterhook.core.code.Figures;
import tenterhook.core.code.Notation;
import tenterhook.core.code.Suggestions;
import tenterhook.core.edit.CodebookEdits;
import tenterhook.core.track.ItemKind;

/** Lists facets and codes. */
@Command(
    name = "codebook",
    description = "Lists facets and codes.",
    subcommands = {
      CodebookCommand.AddFacet.class,
      CodebookCommand.AddCode.class,
      CodebookCommand.Rename.class,
      CodebookCommand.RenameFacet.class,
      CodebookCommand.WriteSo.class,
      CodebookCommand.WriteFigures.class,
      CodebookCommand.Kinds.class,
      CodebookCommand.Merge.class,
      CodebookCommand.Split.class,
      CodebookCommand.MoveCode.class,
      CodebookCommand.Derive.class,
      CodebookCommand.ListClashes.class,
      CodebookCommand.Rates.class,
      CodebookCommand.RemoveCode.class,
      LegendCommands.Export.class,
      LegendCommands.ImportLegend.class,
      LegendCommands.Strays.class,
      LegendCommands.Adopt.class,
      LegendCommands.Ignore.class,
      LegendCommands.Bring.class
    })
final class CodebookCommand extends CollectionCommand {
  @Override
  void run(MusicCollection collection) {
    for (Facet facet : collection.state().codebook().facets()) {
      ObjectNode node = object().put("facet", facet.name()).put("question", facet.question());
      node.put("many", facet.many()).put("demanded", facet.demanded());
      ObjectNode codes = node.putObject("codes");
      facet.codes().forEach(c -> codes.put(c.token(), c.meaning()));
      List<String> tokens = facet.codes().stream().map(Code::token).toList();
      say(node, facet.name() + ": " + String.join(" ", tokens));
    }
  }

  private static Change set(MusicCollection collection, String title, Codebook after) {
    return new Change(
        title, true, List.of(new Edit.SetCodebook(collection.state().codebook(), after)));
  }

  @Command(name = "facet", description = "Adds a facet.")
  static final class AddFacet extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "NAME", description = "Such as Style.")
    String name;

    @Option(names = "--question", description = "The question it answers.")
    String question = "";

    @Option(names = "--many", description = "A track may carry several of its codes.")
    boolean many;

    @Option(names = "--demanded", description = "A track without one has a hole.")
    boolean demanded;

    @Override
    void run(MusicCollection collection) {
      Facet facet = new Facet(name, question, many, demanded, List.of());
      apply(
          collection,
          set(collection, "adds facet " + name, collection.state().codebook().plus(facet)));
    }
  }

  @Command(name = "add", description = "Adds a code to a facet.")
  static final class AddCode extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "FACET", description = "Its facet.")
    String facet;

    @Parameters(index = "1", paramLabel = "CODE", description = "Such as SKA.")
    String token;

    @Parameters(index = "2", arity = "0..1", paramLabel = "MEANING", description = "In words.")
    String meaning = "";

    @Override
    void run(MusicCollection collection) {
      Codebook book = collection.state().codebook();
      if (book.facet(facet).isEmpty()) {
        throw new IllegalArgumentException("no facet '" + facet + "'");
      }
      Code code = new Code(token, meaning);
      apply(collection, set(collection, "adds code " + token, book.with(facet, f -> f.plus(code))));
    }
  }

  @Command(name = "rename", description = "Renames a code in the codebook and in every file.")
  static final class Rename extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "CODE", description = "As it is.")
    String token;

    @Parameters(index = "1", paramLabel = "NEW", description = "As it will be.")
    String other;

    @Override
    void run(MusicCollection collection) {
      apply(
          collection,
          CodebookEdits.rename(
              tracks(collection),
              collection.state().codebook(),
              collection.state().holders(),
              token,
              other));
    }
  }

  @Command(name = "rename-facet", description = "Renames a facet; rules that ask for it follow.")
  static final class RenameFacet extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "FACET", description = "As it is.")
    String name;

    @Parameters(index = "1", paramLabel = "NEW", description = "As it will be.")
    String other;

    @Override
    void run(MusicCollection collection) {
      apply(
          collection,
          CodebookEdits.renameFacet(
              collection.state().codebook(), collection.state().holders(), name, other));
    }
  }

  @Command(
      name = "write",
      description = "Writes codes another way or into another field, in all files.")
  static final class WriteSo extends CollectionCommand {
    @Option(names = "--field", paramLabel = "FIELD", description = "comment, grouping or another.")
    String field = "";

    @Option(
        names = "--style",
        paramLabel = "STYLE",
        description = "wrapped (/80S/SKA/), prefixed (~80S ~SKA) or separated (80S, SKA).")
    String style = "";

    @Option(names = "--alphabetical", description = "In the order of the alphabet.")
    boolean alphabetical;

    @Option(names = "--in-front", description = "Before your own words.")
    boolean inFront;

    @Option(names = "--upper", description = "In capitals.")
    boolean upper;

    @Override
    void run(MusicCollection collection) {
      Codebook book = collection.state().codebook();
      Notation now = book.notation();
      Notation.Style chosen =
          style.isEmpty() ? now.style() : Notation.Style.valueOf(style.toUpperCase(Locale.ROOT));
      String to = field.isEmpty() ? now.field() : field;
      apply(
          collection,
          CodebookEdits.write(
              tracks(collection),
              book,
              now.in(to).in(chosen).ordered(alphabetical, inFront, upper)));
    }
  }

  @Command(
      name = "figures",
      description =
          "Writes figures of each track behind its codes, in all files, and keeps them in step;"
              + " without a template: shows them.")
  static final class WriteFigures extends CollectionCommand {
    @Parameters(
        index = "0",
        arity = "0..1",
        paramLabel = "TEMPLATE",
        description = "Such as '{key} {bpm} E{energy}'.")
    String template = "";

    @Option(names = "--off", description = "Takes the figures away.")
    boolean off;

    @Override
    void run(MusicCollection collection) {
      Codebook book = collection.state().codebook();
      if (template.isBlank() && !off) {
        show(book.notation());
      } else {
        apply(
            collection,
            now -> CodebookEdits.figures(now.snapshot(), now.codebook(), off ? "" : template));
      }
    }

    private void show(Notation notation) {
      List<String> fields = Figures.fields().stream().map(f -> "{" + f.key() + "}").toList();
      ObjectNode node = object().put("figures", notation.figures().template());
      fields.forEach(node.putArray("fields")::add);
      say(
          node,
          (notation.figures().on()
                  ? "figures behind codes: " + notation.figures().template()
                  : "no figures behind codes")
              + "; there are "
              + String.join(" ", fields));
    }
  }

  @Command(
      name = "kinds",
      description =
          "Which items are no tracks but mixes, loops or tools, and so have no holes and fall into"
              + " no crate by themselves; with a kind: settles its rule.")
  static final class Kinds extends CollectionCommand {
    @Parameters(index = "0", arity = "0..1", paramLabel = "KIND", description = "mix, loop, tool.")
    @Nullable String kind;

    @Parameters(
        index = "1",
        arity = "0..1",
        paramLabel = "QUERY",
        description = "Such as duration:25:00.. ; left out: no rule.")
    String rule = "";

    @Override
    void run(MusicCollection collection) {
      if (kind == null) {
        list(collection);
        return;
      }
      ItemKind one =
          ItemKind.named(kind)
              .orElseThrow(() -> new IllegalArgumentException("there is no kind " + kind));
      apply(collection, now -> CodebookEdits.kind(now.codebook(), one, rule));
    }

    private void list(MusicCollection collection) {
      for (ItemKind one : ItemKind.values()) {
        String text = collection.state().codebook().kinds().rule(one);
        int items = find(collection, "kind:" + one.key()).getCardinality();
        say(
            object().put("kind", one.key()).put("rule", text).put("items", items),
            one.key() + ": " + items + (text.isEmpty() ? "" : "  " + text));
      }
    }
  }

  @Command(name = "merge", description = "Makes one code of two, in every file and rule.")
  static final class Merge extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "CODE", description = "Goes.")
    String token;

    @Parameters(index = "1", paramLabel = "INTO", description = "Stays.")
    String into;

    @Override
    void run(MusicCollection collection) {
      apply(
          collection,
          CodebookEdits.merge(
              tracks(collection),
              collection.state().codebook(),
              collection.state().holders(),
              token,
              into));
    }
  }

  @Command(name = "split", description = "Gives some of a code's tracks a new code instead.")
  static final class Split extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "CODE", description = "The code.")
    String token;

    @Parameters(index = "1", paramLabel = "NEW", description = "The new one.")
    String fresh;

    @Parameters(index = "2", paramLabel = "QUERY", description = "Which tracks get it.")
    String query;

    @Override
    void run(MusicCollection collection) {
      apply(
          collection,
          CodebookEdits.split(
              tracks(collection),
              collection.state().codebook(),
              token,
              new Code(fresh, ""),
              find(collection, query)));
    }
  }

  @Command(name = "move", description = "Moves a code to another facet; rules follow.")
  static final class MoveCode extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "CODE", description = "The code.")
    String token;

    @Parameters(index = "1", paramLabel = "FACET", description = "Where to.")
    String facet;

    @Override
    void run(MusicCollection collection) {
      apply(
          collection,
          CodebookEdits.move(
              tracks(collection),
              collection.state().codebook(),
              collection.state().holders(),
              token,
              facet));
    }
  }

  @Command(name = "rule", description = "Derives a code from data; without a text it is taken.")
  static final class Derive extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "CODE", description = "The code.")
    String token;

    @Parameters(
        index = "1",
        arity = "0..1",
        paramLabel = "QUERY",
        description = "Such as year:1980..1989.")
    String query = "";

    @Override
    void run(MusicCollection collection) {
      Codebook book = collection.state().codebook();
      if (book.known(token).isEmpty()) {
        throw new IllegalArgumentException("no code " + token + " in the codebook");
      }
      parse(collection, query);
      apply(
          collection,
          set(collection, "derives code " + token, book.withCode(token, c -> c.by(query))));
    }
  }

  @Command(
      name = "clashes",
      description = "What a plain search for each code would find besides its tracks.")
  static final class ListClashes extends CollectionCommand {
    @Override
    void run(MusicCollection collection) {
      Clashes clashes = new Clashes(tracks(collection), collection.state().codebook());
      for (Clashes.Clash clash : clashes.all()) {
        print(clash, clashes.otherTokens(clash.token()));
      }
      clashes
          .byStyle()
          .forEach(
              (style, count) ->
                  say(
                      object()
                          .put("style", style.name().toLowerCase(Locale.ROOT))
                          .put("clashes", count),
                      style.name().toLowerCase(Locale.ROOT) + ": " + count + " codes clash"));
    }

    private void print(Clashes.Clash clash, List<String> others) {
      ObjectNode node = object().put("code", clash.token()).put("written", clash.written());
      clash.hits().forEach(node.putObject("hits")::put);

      others.forEach(node.putArray("instead")::add);
      say(
          node,
          clash.written()
              + " also finds "
              + clash.tracks().getCardinality()
              + " tracks "
              + clash.hits()
              + "; free are "
              + others);
    }
  }

  @Command(
      name = "suggestions",
      description = "How often suggestions are right, each coded track judged by all others.")
  static final class Rates extends CollectionCommand {
    @Override
    void run(MusicCollection collection) {
      for (Suggestions.Rate rate :
          new Suggestions(tracks(collection), collection.state().codebook()).rates()) {
        say(
            object()
                .put("facet", rate.facet())
                .put("tracks", rate.tracks())
                .put("suggested", rate.suggested())
                .put("right", rate.right())
                .put("commonest", rate.commonest()),
            rate.facet()
                + ": right for "
                + rate.right()
                + " of "
                + rate.suggested()
                + " suggested, "
                + rate.tracks()
                + " coded; always the commonest code: "
                + rate.commonest());
      }
    }
  }

  @Command(name = "remove", description = "Removes a code from the codebook and from every file.")
  static final class RemoveCode extends CollectionCommand {
    @Parameters(index = "0", paramLabel = "CODE", description = "Which.")
    String token;

    @Override
    void run(MusicCollection collection) {
      apply(
          collection,
          CodebookEdits.remove(tracks(collection), collection.state().codebook(), token));
    }
  }
}
