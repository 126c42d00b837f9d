package tenterhook.desktop.gig;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.Rule;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigFinding;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.MustPlay;
import tenterhook.core.gig.Wish;
import tenterhook.core.gig.WishAnswer;
import tenterhook.core.gig.WishAnswer.Standing;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.CopiedText;
import tenterhook.desktop.control.GigEdits;
import tenterhook.desktop.control.LineWords;
import tenterhook.desktop.control.NeverLine;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Station;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/** What is left to do before the night; wishes, must-plays and what is never played. */
final class GigSide extends ScrollPane {
  private final Workspace workspace;
  private final GigEdits edits;
  private final Runnable paste;
  private final AfterwardsPane afterwards;
  private final VBox left = new VBox(8);
  private final VBox wishes = new VBox(3);
  private final VBox musts = new VBox(3);
  private final VBox never = new VBox(3);
  private final TextField more = new TextField();
  private List<WishAnswer> known = List.of();
  private List<WishAnswer> answers = List.of();
  private Optional<Gig> gig = Optional.empty();

  /**
   * The side.
   *
   * @param paste asks for wishes
   */
  GigSide(Workspace workspace, GigEdits edits, Runnable paste) {
    this.workspace = workspace;
    this.edits = edits;
    this.paste = paste;
    this.afterwards = new AfterwardsPane(workspace);
    more.setId("gig-never-more");
    more.setPromptText(Words.of("never.prompt"));
    more.setAccessibleText(Words.of("gigs.never"));
    more.setOnAction(e -> addNever());
    left.setId("gig-findings");
    wishes.setId("gig-wishes");
    musts.setId("gig-musts");
    never.setId("gig-never");
    VBox all = new VBox(14, left, wishes, musts, never);
    all.getStyleClass().add("side");
    all.setFillWidth(true);
    setContent(all);
    setFitToWidth(true);
    setHbarPolicy(ScrollBarPolicy.NEVER);
    setPrefWidth(290);
    getStyleClass().add("gig-side");
  }

  /** What wishes may be is said when it is known. */
  void show(GigLook look) {
    gig = Optional.of(look.gig());
    Snapshot snapshot = workspace.state().get().snapshot();
    showLeft(look);
    showWishes(look.gig(), snapshot);
    showMusts(look, snapshot);
    showNever(look.gig(), snapshot);
  }

  /** Says what wishes may be, of the gig that is shown. */
  void show(List<WishAnswer> held) {
    known = held;
    gig.ifPresent(g -> showWishes(g, workspace.state().get().snapshot()));
  }

  private void showLeft(GigLook look) {
    if (look.afterwards().isPresent()) {
      afterwards.show(look.gig(), look.afterwards().get());
      left.getChildren().setAll(afterwards);
      return;
    }
    List<GigFinding> findings = look.findings();
    long red = findings.stream().filter(GigFinding::red).count();
    Label sentence =
        Look.label(red > 0 ? Words.of("gigs.notReady", red) : Words.of("gigs.ready"), "heading");
    sentence.setId("gig-ready");
    left.getChildren().setAll(sentence);
    findings.stream().filter(GigFinding::red).forEach(f -> left.getChildren().add(card(f)));
    Map<GigFinding.Kind, List<GigFinding>> others =
        findings.stream()
            .filter(f -> !f.red())
            .collect(
                Collectors.groupingBy(
                    GigFinding::kind,
                    () -> new EnumMap<>(GigFinding.Kind.class),
                    Collectors.toList()));
    others.values().forEach(same -> cards(same).forEach(f -> left.getChildren().add(card(f))));
  }

  /** What holds of tracks of many parts is said once. */
  private static List<GigFinding> cards(List<GigFinding> same) {
    GigFinding.Kind kind = same.getFirst().kind();
    String message = "gigs.all." + kind.name().toLowerCase(Locale.ROOT);
    if (same.size() == 1 || !Words.has(message)) {
      return same;
    }
    RoaringBitmap tracks = new RoaringBitmap();
    same.forEach(f -> tracks.or(f.tracks()));
    return List.of(
        new GigFinding(
            kind, false, "", tracks, Words.of(message, tracks.getCardinality(), same.size())));
  }

  private Node card(GigFinding finding) {
    Label words = Look.dataLabel(finding.words(), "strong");
    words.setWrapText(true);
    VBox card = new VBox(2, words);
    card.getStyleClass().addAll("finding", finding.red() ? "red" : "look");
    if (!finding.tracks().isEmpty()) {
      boolean gone =
          finding.kind() == GigFinding.Kind.GONE
              || finding.kind() == GigFinding.Kind.WISH_GONE
              || finding.kind() == GigFinding.Kind.MUST_PLAY_GONE;
      HBox links = new HBox(6);
      links
          .getChildren()
          .add(
              Look.button(
                  Words.of("gigs.look"),
                  () -> workspace.frame().show(TrackList.of(finding.words(), finding.tracks())),
                  "quiet"));
      if (gone) {
        links
            .getChildren()
            .add(
                Look.button(
                    Words.of("gigs.bringBack"), () -> workspace.frame().go(Station.LOST), "quiet"));
      }
      if (finding.kind() == GigFinding.Kind.UNMEASURED) {
        links
            .getChildren()
            .add(
                Look.button(
                    Words.of("gigs.measure"),
                    () -> workspace.measuring().measure(finding.tracks()),
                    "quiet"));
      }
      card.getChildren().add(links);
    }
    return card;
  }

  private void showWishes(Gig of, Snapshot snapshot) {
    long settled = of.wishes().stream().filter(w -> !w.open()).count();
    Button add = Look.button(Words.of("gigs.paste"), paste);
    add.setId("gig-paste");
    wishes
        .getChildren()
        .setAll(title("gigs.wishes", Words.of("gigs.wishesSettled", settled, of.wishes().size())));
    answers = known.stream().filter(a -> of.wishes().contains(a.wish())).toList();
    RoaringBitmap away = workspace.state().get().tracksAway();
    for (Wish wish : of.wishes()) {
      Optional<WishAnswer> answer = answers.stream().filter(a -> a.wish().equals(wish)).findFirst();
      wishes.getChildren().add(new WishRow(edits, of, wish, answer, snapshot, away));
    }
    FlowPane buttons = new FlowPane(6, 6, add);
    long certain = answers.stream().filter(a -> a.standing() == Standing.CERTAIN).count();
    if (certain > 0) {
      Button all = Look.primary(Words.of("gigs.takeCertain", certain), this::takeCertain);
      all.setId("gig-certain");
      buttons.getChildren().add(all);
    }
    if (answers.stream().anyMatch(a -> a.standing() == Standing.MISSING)) {
      Button list = Look.button(Words.of("gigs.buy"), this::copyMissing, "quiet");
      list.setId("gig-buy");
      buttons.getChildren().add(list);
    }
    wishes.getChildren().add(buttons);
  }

  /** Goes to the field for what is never played. */
  void goNever() {
    more.requestFocus();
  }

  /** Asks for the set list of a night that is over. */
  void readSetList() {
    gig.filter(g -> left.getChildren().contains(afterwards)).ifPresent(afterwards::choose);
  }

  void takeCertain() {
    List<Wish> taken = new ArrayList<>();
    for (WishAnswer answer : answers) {
      if (answer.standing() == Standing.CERTAIN) {
        taken.add(answer.wish().chosen(answer.offers().getFirst().tracks().getFirst()));
      }
    }
    gig.ifPresent(
        g ->
            edits.edit(
                g.title(),
                Words.of("change.gigSettled", taken.size()),
                now -> {
                  Gig after = now;
                  for (Wish wish : taken) {
                    after = after.settled(wish);
                  }
                  return after;
                }));
  }

  private void copyMissing() {
    List<String> lines =
        answers.stream()
            .filter(a -> a.standing() == Standing.MISSING)
            .map(a -> a.wish().line())
            .toList();
    CopiedText.put(String.join("\n", lines));
    workspace.frame().inform(Words.of("gigs.copied", lines.size()), false, 0);
  }

  private void showMusts(GigLook look, Snapshot snapshot) {
    Gig of = look.gig();
    long placed =
        of.mustPlays().stream()
            .filter(
                m ->
                    look.program().stretches().stream()
                        .anyMatch(s -> s.slot(m.track()).isPresent()))
            .count();
    musts
        .getChildren()
        .setAll(title("gigs.musts", Words.of("gigs.placed", placed, of.mustPlays().size())));
    if (of.mustPlays().isEmpty()) {
      musts.getChildren().add(hint("gigs.noMust"));
    }
    for (MustPlay must : of.mustPlays()) {
      MenuButton where =
          new MenuButton(must.part().isEmpty() ? Words.of("gigs.anyPart") : must.part());
      where.getStyleClass().add("quiet");
      where.setMinWidth(USE_PREF_SIZE);
      where.getItems().add(Look.item("gigs.anyPart", () -> set(must.in(""))));
      for (GigPart part : of.allParts()) {
        where.getItems().add(Look.named(part.name(), () -> place(must.in(part.name()))));
      }
      where.getItems().add(Look.item("gigs.noMore", () -> drop(must)));
      musts
          .getChildren()
          .add(
              row(
                  snapshot.name(must.track()) + (must.note().isEmpty() ? "" : ": " + must.note()),
                  where));
    }
  }

  private void set(MustPlay must) {
    gig.ifPresent(g -> edits.edit(g.title(), Words.of("change.gigMust", 1), now -> now.plus(must)));
  }

  /** Where it must be heard it stands too. */
  private void place(MustPlay must) {
    gig.ifPresent(
        g ->
            edits.edit(
                g.title(),
                Words.of("change.gigMust", 1),
                now -> now.plus(must).withPart(must.part(), p -> p.plus(List.of(must.track())))));
  }

  private void drop(MustPlay must) {
    gig.ifPresent(
        g ->
            edits.edit(
                g.title(),
                Words.of("change.gigNoMust"),
                now ->
                    now.withMustPlays(
                        now.mustPlays().stream().filter(m -> m.track() != must.track()).toList())));
  }

  private void showNever(Gig of, Snapshot snapshot) {
    never.getChildren().setAll(title("gigs.never", ""));
    for (Rule.Line line : of.never().lines()) {
      never
          .getChildren()
          .add(
              row(
                  LineWords.of(line),
                  allow(LineWords.of(line), g -> g.with(g.never().minus(line)))));
    }
    for (int id : of.never().tracks()) {
      never
          .getChildren()
          .add(row(snapshot.name(id), allow(snapshot.name(id), g -> g.with(g.never().minus(id)))));
    }
    never.getChildren().add(more);
  }

  private Button allow(String what, java.util.function.UnaryOperator<Gig> without) {
    Button button =
        Look.button(
            Words.of("never.remove"),
            () ->
                gig.ifPresent(
                    g -> edits.edit(g.title(), Words.of("change.gigAllow", what), without)),
            "quiet");
    button.setMinWidth(USE_PREF_SIZE);
    button.setAccessibleText(Words.of("never.removeThis", what));
    return button;
  }

  private void addNever() {
    String typed = more.getText().strip();
    if (typed.isEmpty() || gig.isEmpty()) {
      return;
    }
    NeverLine.typed(workspace, typed)
        .ifPresent(
            line -> {
              more.clear();
              edits.edit(
                  gig.get().title(),
                  Words.of("change.gigNever", LineWords.of(line)),
                  g -> g.with(g.never().plus(line)));
            });
  }

  private static HBox row(String words, Node control) {
    Label label = Look.dataLabel(words);
    Look.tip(label, words);
    label.setMinWidth(40);
    label.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(label, Priority.ALWAYS);
    HBox row = new HBox(6, label, control);
    row.setAlignment(Pos.CENTER_LEFT);
    return row;
  }

  private static HBox title(String message, String second) {
    HBox title =
        new HBox(8, Look.label(Words.of(message), "section"), Look.label(second, "second"));
    title.setAlignment(Pos.BASELINE_LEFT);
    return title;
  }

  private static Label hint(String message) {
    Label hint = Look.label(Words.of(message), "second");
    hint.setWrapText(true);
    return hint;
  }
}
