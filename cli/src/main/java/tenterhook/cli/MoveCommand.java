package tenterhook.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.arrival.PathPattern;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.change.Place;

/** Moves files to where a path pattern says; never over another file. */
@Command(name = "move", description = "Moves files under a root by a path pattern; undoable.")
final class MoveCommand extends CollectionCommand {
  @Mixin QueryOption.Needed query = new QueryOption.Needed();

  @Option(
      names = "--pattern",
      paramLabel = "P",
      description = "Such as {genre}/{artist} - {title} (the default).")
  String pattern = PathPattern.USUAL;

  @Option(names = "--root", required = true, paramLabel = "NAME", description = "A root's name.")
  String root;

  @Override
  void run(MusicCollection collection) {
    CollectionState state = collection.state();
    if (!state.roots().containsKey(root) || root.equals(Place.HOLDING_BAY)) {
      throw new IllegalArgumentException("there is no root " + root);
    }
    Change change =
        PathPattern.of(pattern).moves(state.snapshot(), query.in(collection), root, state::taken);
    for (Edit edit : change.edits()) {
      Edit.MoveFile one = (Edit.MoveFile) edit;
      String from = state.path(one.from()).orElseThrow().toString();
      String to = state.path(one.to()).orElseThrow().toString();
      say(object().put("from", from).put("to", to), from + " → " + to);
    }
    apply(collection, change);
  }
}
