package tenterhook.cli;

import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.core.edit.TrackEdits;

/** Gives and takes codes. */
@Command(name = "code", description = "Gives (+SKA) and takes (-LAP) codes on the tracks found.")
final class CodeCommand extends CollectionCommand {
  @Mixin QueryOption.Needed query = new QueryOption.Needed();

  @Parameters(index = "1..*", arity = "1..*", paramLabel = "±CODE", description = "Codes.")
  List<String> codes;

  @Override
  void run(MusicCollection collection) {
    List<String> give = new ArrayList<>();
    List<String> take = new ArrayList<>();
    for (String code : codes) {
      switch (code.charAt(0)) {
        case '+' -> give.add(code.substring(1));
        case '-' -> take.add(code.substring(1));
        default -> throw new IllegalArgumentException("write +" + code + " or -" + code);
      }
    }
    apply(
        collection,
        TrackEdits.code(
            tracks(collection), collection.state().codebook(), query.in(collection), give, take));
  }
}
