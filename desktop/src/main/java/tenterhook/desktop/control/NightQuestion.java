package tenterhook.desktop.control;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import tenterhook.core.play.Plays;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Asks on which night tracks were played. */
public final class NightQuestion {
  private NightQuestion() {}

  /**
   * Asks for a night.
   *
   * @param what is to be counted, in words
   * @param night what is proposed; today when empty
   * @param then gets the answer
   */
  public static void ask(
      Workspace workspace, String what, Optional<LocalDate> night, Consumer<LocalDate> then) {
    workspace
        .frame()
        .askText(
            Words.of("plays.ask", what),
            night.orElse(workspace.collection().today()).toString(),
            Words.of("plays.countThem"),
            text -> {
              try {
                then.accept(LocalDate.parse(text.strip()));
              } catch (DateTimeParseException wrong) {
                workspace.frame().inform(Words.of("plays.noDate", text), true, 0);
              }
            });
  }

  /** Counts a play of each track by hand; asks for the night. */
  static void count(Workspace workspace, List<Integer> tracks) {
    ask(
        workspace,
        Words.of("plays.tracks", tracks.size()),
        Optional.empty(),
        night ->
            workspace.command(
                Words.of("plays.tracks", tracks.size()),
                tracks.size(),
                now -> Plays.onNight(now.snapshot(), tracks, night)));
  }
}
