package tenterhook.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tenterhook.backstage.collection.MusicCollection;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Code;
import tenterhook.core.code.Codebook;
import tenterhook.core.code.CodebookEdits;
import tenterhook.core.code.Facet;

/** Lists facets and codes. */
@Command(
    name = "codebook",
    description = "Lists facets and codes.",
    subcommands = {
      CodebookCommand.AddFacet.class,
      CodebookCommand.Add.class,
      CodebookCommand.Rename.class,
      CodebookCommand.RenameFacet.class,
      CodebookCommand.MoveTo.class,
      CodebookCommand.Remove.class
    })
final class CodebookCommand extends Work {
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
  static final class AddFacet extends Work {
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
  static final class Add extends Work {
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
  static final class Rename extends Work {
    @Parameters(index = "0", paramLabel = "CODE", description = "As it is.")
    String token;

    @Parameters(index = "1", paramLabel = "NEW", description = "As it will be.")
    String other;

    @Override
    void run(MusicCollection collection) {
      apply(
          collection,
          CodebookEdits.rename(tracks(collection), collection.state().codebook(), token, other));
    }
  }

  @Command(name = "rename-facet", description = "Renames a facet; rules that ask for it follow.")
  static final class RenameFacet extends Work {
    @Parameters(index = "0", paramLabel = "FACET", description = "As it is.")
    String name;

    @Parameters(index = "1", paramLabel = "NEW", description = "As it will be.")
    String other;

    @Override
    void run(MusicCollection collection) {
      apply(
          collection,
          CodebookEdits.renameFacet(
              collection.state().codebook(), collection.state().crates(), name, other));
    }
  }

  @Command(
      name = "field",
      description = "Writes codes into another field, and moves those there are.")
  static final class MoveTo extends Work {
    @Parameters(paramLabel = "FIELD", description = "comment, grouping or another text field.")
    String field;

    @Override
    void run(MusicCollection collection) {
      apply(
          collection,
          CodebookEdits.moveTo(tracks(collection), collection.state().codebook(), field));
    }
  }

  @Command(name = "remove", description = "Removes a code from the codebook and from every file.")
  static final class Remove extends Work {
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
