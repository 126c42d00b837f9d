package tenterhook.desktop.control;

import java.util.Optional;
import tenterhook.core.crate.Rule;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Reads what is typed into a list of what is never played. */
public final class NeverLine {
  private NeverLine() {}

  /**
   * The line that was meant: an artist's name alone means the artist, anything else is a line of
   * the find language.
   *
   * @return empty when it is none, which is said
   */
  public static Optional<Rule.Line> typed(Workspace workspace, String typed) {
    String text = typed.indexOf(':') < 0 ? "artist:=\"" + typed.replace("\"", "") + "\"" : typed;
    return switch (FindParser.parse(text, workspace.state().get().codebook())) {
      case Parsed.Bad bad -> {
        workspace.frame().inform(bad.message(), true, 0);
        yield Optional.empty();
      }
      case Parsed.Good good -> {
        Optional<Rule.Line> line = Rule.line(good.query());
        if (line.isEmpty()) {
          workspace.frame().inform(Words.of("rule.oneTerm"), true, 0);
        }
        yield line;
      }
    };
  }
}
