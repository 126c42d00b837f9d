package tenterhook.desktop.gig;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import tenterhook.core.crate.Rule;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.FindText;
import tenterhook.core.find.Parsed;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.desktop.control.GigEdits;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What a part is called, how long it lasts and what keeps filling it. */
final class PartPane extends BorderPane {
  private final Workspace workspace;
  private final GigEdits edits;
  private final Consumer<String> done;
  private final Form form = new Form("part-form", this::take, () -> done().accept(""));
  private final TextField name = form.line("gigs.partName", 28);
  private final TextField minutes = form.line("gigs.minutes", 7);
  private final TextField in = form.line("gigs.in", 28);
  private final TextField rule = form.line("gigs.fill", 46);
  private final TextArea notes = form.lines("gigs.partNotes", 4);
  private final Button remove = Look.button(Words.of("gigs.removePart"), this::remove, "danger");
  private String gig = "";
  private Optional<GigPart> of = Optional.empty();

  /**
   * A form.
   *
   * @param done gets the name of the part that is there now; an empty one when nothing was done
   */
  PartPane(Workspace workspace, GigEdits edits, Consumer<String> done) {
    this.workspace = workspace;
    this.edits = edits;
    this.done = done;
    rule.getStyleClass().add("mono");
    remove.setId("part-remove");
    form.add(remove);
    setCenter(form);
  }

  private Consumer<String> done() {
    return done;
  }

  /** Asks for a new part. */
  void askNew(Gig to) {
    ask(to, Optional.empty());
  }

  /** Asks for what is to be other of a part, or for a new one. */
  void ask(Gig to, Optional<GigPart> part) {
    gig = to.title();
    of = part;
    form.titled(part.map(GigPart::name).orElse(Words.of("gigs.newPart", to.title())));
    name.setText(part.map(GigPart::name).orElse(""));
    minutes.setText(String.valueOf(part.map(GigPart::minutes).orElse(60)));
    rule.setText(part.flatMap(GigPart::rule).map(r -> FindText.write(r.query())).orElse(""));
    notes.setText(part.map(GigPart::notes).orElse(""));
    in.setText("");
    in.setDisable(part.isPresent());
    remove.setVisible(part.isPresent());
    name.requestFocus();
  }

  private void take() {
    try {
      int lasting = Integer.parseInt(minutes.getText().strip());
      filling()
          .ifPresent(
              fill -> {
                String called = name.getText().strip();
                if (edits.edit(
                    gig, Words.of("change.gigPart", called), g -> put(g, lasting, fill))) {
                  done.accept(called);
                }
              });
    } catch (NumberFormatException wrong) {
      workspace.frame().inform(Words.of("gigs.noMinutes", minutes.getText()), true, 0);
    }
  }

  private Gig put(Gig to, int lasting, Filling fill) {
    GigPart before = of.orElseGet(() -> GigPart.of(name.getText(), 0));
    GigPart after =
        before
            .named(name.getText())
            .lasting(lasting)
            .noted(notes.getText())
            .filledBy(fill.rule(), before.order());
    String above = in.getText().strip();
    return of.isPresent()
        ? to.withPart(before.name(), p -> after)
        : to.plus(after, above.isEmpty() ? Optional.empty() : Optional.of(above));
  }

  /** What keeps filling a part, which may be nothing. */
  private record Filling(Optional<Rule.RuleGroup> rule) {}

  /** Empty when the line cannot be read, which is said. */
  private Optional<Filling> filling() {
    if (rule.getText().isBlank()) {
      return Optional.of(new Filling(Optional.empty()));
    }
    return switch (FindParser.parse(rule.getText().strip(), workspace.state().get().codebook())) {
      case Parsed.Bad bad -> {
        workspace.frame().inform(bad.message(), true, 0);
        yield Optional.empty();
      }
      case Parsed.Good good -> Optional.of(new Filling(Optional.of(Rule.of(good.query()))));
    };
  }

  private void remove() {
    of.ifPresent(
        part -> {
          if (edits.edit(
              gig, Words.of("change.gigNoPart", part.name()), g -> g.withoutPart(part.name()))) {
            done.accept("");
          }
        });
  }
}
