package tenterhook.desktop.crate;

import java.util.ArrayList;
import java.util.List;
import javafx.css.PseudoClass;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.Crate;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.Rule;
import tenterhook.core.crate.RuleExplanation;
import tenterhook.core.crate.RuleExplanation.ExplainedLine;
import tenterhook.core.crate.RuleExplanation.Matter;
import tenterhook.core.find.FindParser;
import tenterhook.core.find.Parsed;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.LineWords;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * Says of the track chosen last which lines of the crate hold for it and which do not, what it has
 * instead, and which tracks one line alone keeps out.
 */
final class WhyPane extends VBox {
  private static final PseudoClass FAILS = PseudoClass.getPseudoClass("fails");
  private static final double WIDTH = 250;
  private static final int STEP = 14;
  private static final int NEAR = 9;

  private final Workspace workspace;
  private final Label heading = Look.label("", "heading");
  private final Label track = Look.label("", "second");
  private final VBox lines = new VBox(6);
  private final VBox near = new VBox(3);

  WhyPane(Workspace workspace) {
    super(6);
    this.workspace = workspace;
    setId("why");
    getStyleClass().add("side");
    setPrefWidth(WIDTH);
    setMinWidth(WIDTH);
    track.setWrapText(true);
    near.setId("nearly-in");
    near.setPadding(new Insets(10, 0, 0, 0));
    ScrollPane scroll = new ScrollPane(new VBox(6, lines, near));
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    getChildren().addAll(heading, track, scroll);
  }

  void show(Crate.RuleCrate crate, CrateContents contents) {
    lines.getChildren().clear();
    int id = workspace.chosen().get();
    Snapshot snapshot = workspace.state().get().snapshot();
    if (id == 0 || !snapshot.has(id)) {
      heading.setText(Words.of("why.heading"));
      track.setText(Words.of("why.noTrack"));
    } else {
      List<ExplainedLine> reasons = contents.explanation(crate).why(id);
      boolean in = reasons.stream().filter(r -> r.depth() == 0).allMatch(ExplainedLine::holds);
      heading.setText(Words.of(in ? "why.in" : "why.out"));
      Look.data(track, snapshot.name(id));
      reasons.forEach(r -> lines.getChildren().add(line(r)));
    }
    workspace.latestOnly(this, () -> nearly(crate, contents), found -> showNear(found, snapshot));
  }

  private HBox line(ExplainedLine reason) {
    Label words = Look.dataLabel(words(reason));
    words.setWrapText(true);
    VBox said = new VBox(1, words);
    if (!reason.holds() && reason.matter() == Matter.LINE) {
      said.getChildren().add(has(reason));
    }
    Region mark = mark(reason);
    HBox box = new HBox(8, mark, said);
    HBox.setHgrow(said, Priority.ALWAYS);
    box.setAlignment(Pos.TOP_LEFT);
    box.setPadding(new Insets(0, 0, 0, reason.depth() * STEP));
    box.setAccessibleText(Words.of(reason.holds() ? "why.holds" : "why.fails", words(reason)));
    box.getStyleClass().add("why-line");
    return box;
  }

  private static Label has(ExplainedLine reason) {
    Label has =
        Look.dataLabel(
            reason.has().isBlank() ? Words.of("why.hasNone") : Words.of("why.has", reason.has()),
            "hole");
    has.setWrapText(true);
    return has;
  }

  private static Region mark(ExplainedLine reason) {
    Region mark = new Region();
    mark.getStyleClass().add("why-mark");
    mark.pseudoClassStateChanged(FAILS, !reason.holds());
    return mark;
  }

  private String words(ExplainedLine reason) {
    return switch (reason.matter()) {
      case LINE -> parsed(reason.text());
      case KIND -> Words.of("why.kind", reason.has());
      case NEVER -> Words.of("why.never", parsed(reason.text()));
      default -> Words.of("why." + reason.matter().name().toLowerCase(java.util.Locale.ROOT));
    };
  }

  private String parsed(String text) {
    return FindParser.parse(text, workspace.state().get().codebook()) instanceof Parsed.Good good
        ? Rule.line(good.query()).map(LineWords::of).orElse(text)
        : text;
  }

  /** A track that one line keeps out. */
  private record Nearly(int id, Rule.Line line) {}

  private record NearlyFound(int count, List<Nearly> first) {}

  private static NearlyFound nearly(Crate.RuleCrate crate, CrateContents contents) {
    RuleExplanation explanation = contents.explanation(crate);
    List<Rule.Line> all = Rule.lines(crate.rule());
    RoaringBitmap seen = new RoaringBitmap();
    List<Nearly> first = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      RoaringBitmap out = explanation.nearlyIn(i);
      out.andNot(seen);
      seen.or(out);
      Rule.Line line = all.get(i);
      // a few of each line, so that one line does not take all the room
      out.stream()
          .limit(Math.max(2, NEAR / all.size()))
          .forEach(id -> first.add(new Nearly(id, line)));
    }
    return new NearlyFound(
        seen.getCardinality(), List.copyOf(first.subList(0, Math.min(NEAR, first.size()))));
  }

  private void showNear(NearlyFound found, Snapshot snapshot) {
    near.getChildren().clear();
    if (found.count() == 0) {
      return;
    }
    near.getChildren()
        .addAll(
            Look.label(Words.of("why.nearly", found.count()), "strong"),
            Look.label(Words.of("why.nearlyWords"), "second"));
    found.first().stream()
        .filter(n -> snapshot.has(n.id()))
        .forEach(n -> near.getChildren().add(nearly(n, snapshot)));
  }

  private Node nearly(Nearly one, Snapshot snapshot) {
    Button open = Look.button("", () -> workspace.chosen().set(one.id()), "quiet", "nearly");
    Label name = Look.dataLabel(snapshot.name(one.id()));
    Label why = Look.dataLabel(LineWords.of(one.line()), "second");
    open.setGraphic(new VBox(name, why));
    open.setAccessibleText(snapshot.name(one.id()));
    open.setMaxWidth(Double.MAX_VALUE);
    open.setAlignment(Pos.CENTER_LEFT);
    return open;
  }
}
