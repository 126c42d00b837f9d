package tenterhook.desktop.gig;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.Person;
import tenterhook.desktop.control.GigEdits;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** When and where a gig is, and for whom: of a new one, or of one that is there. */
final class EveningPane extends BorderPane {
  private static final LocalTime USUAL_FROM = LocalTime.of(20, 0);
  private static final LocalTime USUAL_UNTIL = LocalTime.of(1, 0);

  private final Workspace workspace;
  private final GigEdits edits;
  private final Consumer<String> done;
  private final Form form = new Form("gig-form", this::take, () -> done().accept(""));
  private final TextField title = form.line("gigs.title", 28);
  private final TextField date = form.line("gigs.date", 12);
  private final TextField from = form.line("gigs.from", 7);
  private final TextField until = form.line("gigs.until", 7);
  private final TextField place = form.line("gigs.place", 28);
  private final TextArea people = form.lines("gigs.people", 3);
  private final TextField reserve = form.line("gigs.reserve", 7);
  private final TextArea notes = form.lines("gigs.notes", 4);
  private Optional<Gig> of = Optional.empty();
  private boolean model;

  /**
   * A form.
   *
   * @param done gets the title of the gig that is there now; an empty one when nothing was done
   */
  EveningPane(Workspace workspace, GigEdits edits, Consumer<String> done) {
    this.workspace = workspace;
    this.edits = edits;
    this.done = done;
    setCenter(form);
  }

  private Consumer<String> done() {
    return done;
  }

  /** Asks for a new gig. */
  void askNew() {
    of = Optional.empty();
    model = false;
    form.titled(Words.of("gigs.newTitle"));
    LocalDate soon = workspace.collection().today().plusWeeks(1);
    fill("", Evening.on(soon, USUAL_FROM, USUAL_UNTIL), Gig.USUAL_RESERVE);
  }

  /** Asks for a new gig with the parts of another. */
  void askLike(Gig gig) {
    askNew();
    of = Optional.of(gig);
    model = true;
    form.titled(Words.of("gigs.likeTitle", gig.title()));
    Evening evening = gig.evening();
    LocalDate soon = workspace.collection().today().plusWeeks(1);
    fill("", Evening.on(soon, evening.from(), evening.until()), gig.reserve());
  }

  /** Asks for what is to be other of a gig. */
  void ask(Gig gig) {
    of = Optional.of(gig);
    model = false;
    form.titled(gig.title());
    fill(gig.title(), gig.evening(), gig.reserve());
  }

  private void fill(String name, Evening evening, double times) {
    title.setText(name);
    date.setText(evening.date().toString());
    from.setText(evening.from().toString());
    until.setText(evening.until().toString());
    place.setText(evening.place());
    people.setText(evening.people().stream().map(Person::line).collect(Collectors.joining("\n")));
    reserve.setText(String.valueOf(times));
    notes.setText(evening.notes());
    title.requestFocus();
  }

  private void take() {
    try {
      Evening evening =
          new Evening(
              LocalDate.parse(date.getText().strip()),
              LocalTime.parse(from.getText().strip()),
              LocalTime.parse(until.getText().strip()),
              place.getText().strip(),
              people.getText().lines().filter(l -> !l.isBlank()).map(Person::of).toList(),
              notes.getText());
      double times = Double.parseDouble(reserve.getText().strip());
      if (made(title.getText().strip(), evening, times)) {
        done.accept(title.getText().strip());
      }
    } catch (NumberFormatException wrong) {
      workspace.frame().inform(Words.of("gigs.noNumber", reserve.getText()), true, 0);
    } catch (DateTimeException wrong) {
      workspace.frame().inform(Words.of("gigs.noDate"), true, 0);
    } catch (IllegalArgumentException wrong) {
      workspace.frame().inform(String.valueOf(wrong.getMessage()), true, 0);
    }
  }

  private boolean made(String name, Evening evening, double times) {
    if (of.isPresent() && !model) {
      return edits.edit(
          of.get().title(),
          Words.of("change.gigEvening"),
          g -> g.titled(name).on(evening).reserving(times));
    }
    Gig fresh = of.map(g -> g.like(name, evening)).orElseGet(() -> Gig.of(name, evening));
    return edits.set(Words.of("change.addGig", name), g -> g.plus(fresh.reserving(times)));
  }
}
