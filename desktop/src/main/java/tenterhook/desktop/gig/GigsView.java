package tenterhook.desktop.gig;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.find.FindText;
import tenterhook.core.gig.Evening;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.GigPart;
import tenterhook.core.gig.GigProgram;
import tenterhook.core.gig.GigProgram.Stretch;
import tenterhook.core.gig.Gigs;
import tenterhook.core.gig.Person;
import tenterhook.core.gig.WishAnswer;
import tenterhook.core.gig.WishIndex;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.GigEdits;
import tenterhook.desktop.control.SaidOfTrack;
import tenterhook.desktop.control.StationOutline;
import tenterhook.desktop.control.TrackPane;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/**
 * Nights that are planned: gigs at the left; one evening with its parts, and the music of one part,
 * in the middle; what is left to do at the right.
 */
public final class GigsView extends StationOutline {
  private static final double TEMPO_SHARE = 0.06;
  private static final List<Field<?>> COLUMNS =
      List.of(Fields.ARTIST, Fields.TITLE, Fields.BPM, Fields.KEY, Fields.DURATION);

  private final GigEdits edits;
  private final GigList gigs = new GigList(this::choose);
  private final Label title = Look.label("", "heading");
  private final Label evening = Look.label("", "second");
  private final EveningPicture picture;
  private final Label partTitle = Look.label("", "section");
  private final Label partWords = Look.label("", "second");
  private final TrackPane pane;
  private final GigSide side;
  private final EveningPane eveningPane;
  private final PartPane partPane;
  private final PasteWishesPane wishesPane;
  private final DraftProposal drafts;
  private final Map<KeyCode, Runnable> altKeys;
  private final PackPane packPane;
  private final NightView nightView;
  private final VBox main;
  private final List<Node> whole;
  private final HBox gigButtons = new HBox(8);
  private final HBox partButtons = new HBox(8);
  private String chosen = "";
  private String part = "";
  private String awaited = "";
  private String awaitedPart = "";
  private Optional<GigLook> look = Optional.empty();
  private Optional<WishIndex> index = Optional.empty();

  /** Wishes held against the collection. */
  private record HeldWishes(WishIndex index, List<WishAnswer> answers) {}

  /** The view. */
  public GigsView(Workspace workspace) {
    super(workspace, "keys.gigs", new TrackPane(workspace, "gig", COLUMNS));
    this.edits = new GigEdits(workspace);
    this.pane = tracks().orElseThrow();
    this.picture =
        new EveningPicture(
            this::choosePart, (ids, to) -> gig().ifPresent(g -> edits.pick(g, to, ids)));
    this.side = new GigSide(workspace, edits, this::paste);
    this.eveningPane = new EveningPane(workspace, edits, this::chosenNow);
    this.partPane = new PartPane(workspace, edits, this::partNow);
    this.wishesPane = new PasteWishesPane(edits, done -> back());
    this.packPane = new PackPane(workspace, this::back);
    this.nightView = new NightView(workspace, edits);
    this.drafts = new DraftProposal(workspace, edits, TEMPO_SHARE);
    this.altKeys =
        Map.of(
            KeyCode.G, this::askNew,
            KeyCode.V, this::askEvening,
            KeyCode.P, this::askPart,
            KeyCode.E, this::editPart,
            KeyCode.D, this::draft,
            KeyCode.W, this::paste,
            KeyCode.C, side::takeCertain,
            KeyCode.N, side::goNever,
            KeyCode.S, this::askPack,
            KeyCode.R, side::readSetList);
    node.addEventFilter(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getTarget() instanceof TextInputControl && take(e)) {
            e.consume();
          }
        });
    pane.addColumn(0, "gigs.at", 54, this::at);
    pane.addColumn(1, "gigs.mark", 48, this::mark);
    pane.addColumn(Integer.MAX_VALUE, "gigs.follows", 190, this::follows);
    title.setId("list-title-gig");
    partTitle.setId("part-title");
    this.main = new VBox(8);
    this.whole = List.of(gigLine(), evening, picture, partLine(), pane);
    main.getChildren().setAll(whole);
    main.getStyleClass().add("main");
    VBox.setVgrow(pane, Priority.ALWAYS);
    node.setLeft(left());
    node.setCenter(main);
    workspace.whileInView(node, this::refresh);
  }

  private VBox left() {
    MenuButton add = new MenuButton(Words.of("gigs.add"));
    add.setId("gigs-add");
    add.getItems()
        .addAll(
            Look.item("gigs.addNew", this::askNew),
            Look.item(
                "gigs.addLike",
                () -> gig().ifPresent(g -> form(eveningPane, () -> eveningPane.askLike(g)))));
    return side(212, gigs, gigs, add);
  }

  private HBox gigLine() {
    evening.setWrapText(true);
    evening.setMinHeight(Region.USE_PREF_SIZE);
    HBox.setHgrow(title, Priority.ALWAYS);
    title.setMaxWidth(Double.MAX_VALUE);
    gigButtons
        .getChildren()
        .addAll(
            button("gigs.edit", this::askEvening),
            button("gigs.addPart", this::askPart),
            button("gigs.remove", this::remove),
            button("gigs.night", this::night),
            pack());
    gigButtons.setMinWidth(Region.USE_PREF_SIZE);
    return new HBox(8, title, gigButtons);
  }

  private HBox partLine() {
    partWords.setMinWidth(60);
    HBox.setHgrow(partWords, Priority.ALWAYS);
    partWords.setMaxWidth(Double.MAX_VALUE);
    partTitle.setMinWidth(Region.USE_PREF_SIZE);
    partButtons
        .getChildren()
        .addAll(
            button("gigs.editPart", this::editPart),
            button("gigs.draft", this::draft),
            button("gigs.unpick", this::unpick));
    partButtons.setMinWidth(Region.USE_PREF_SIZE);
    HBox line = new HBox(10, partTitle, partWords, partButtons);
    line.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return line;
  }

  private void night() {
    gig().ifPresent(nightView::open);
  }

  private void askEvening() {
    gig().ifPresent(g -> form(eveningPane, () -> eveningPane.ask(g)));
  }

  private void askPack() {
    gig().ifPresent(g -> form(packPane, () -> packPane.ask(g)));
  }

  @Override
  public boolean take(KeyEvent event) {
    if (node.getCenter() != main || event.isShortcutDown()) {
      return false;
    }
    Optional<Runnable> does =
        event.isAltDown()
            ? Optional.ofNullable(altKeys.get(event.getCode()))
            : Optional.<Runnable>of(this::night).filter(n -> event.getCode() == KeyCode.F11);
    does.ifPresent(Runnable::run);
    return does.isPresent();
  }

  private Button pack() {
    Button pack = Look.primary(Words.of("gigs.pack"), this::askPack);
    pack.setId("gigs-pack");
    return pack;
  }

  private static Button button(String key, Runnable action) {
    Button button = Look.button(Words.of(key), action);
    button.setId(key.replace('.', '-'));
    return button;
  }

  private Optional<Gig> gig() {
    return workspace.state().get().gigs().named(chosen);
  }

  private void askNew() {
    form(eveningPane, eveningPane::askNew);
  }

  private void askPart() {
    gig().ifPresent(g -> form(partPane, () -> partPane.askNew(g)));
  }

  private void editPart() {
    gig()
        .flatMap(g -> g.part(part))
        .ifPresent(p -> form(partPane, () -> partPane.ask(gig().orElseThrow(), Optional.of(p))));
  }

  private void paste() {
    gig().ifPresent(g -> form(wishesPane, () -> wishesPane.ask(g)));
  }

  /** Shows a form in the place of the gig. */
  private void form(Node form, Runnable ask) {
    node.setCenter(form);
    node.setRight(null);
    ask.run();
  }

  private void back() {
    if (node.getCenter() != main) {
      node.setCenter(main);
      refresh();
      picture.requestFocus();
    }
  }

  /** The gig is chosen as soon as the change that makes it is done. */
  private void chosenNow(String gigTitle) {
    awaited = gigTitle;
    back();
  }

  private void partNow(String name) {
    awaitedPart = name;
    back();
  }

  private void choose(Gig gig) {
    if (gig.title().equals(chosen)) {
      return;
    }
    chosen = gig.title();
    part = "";
    node.setCenter(main);
    refresh();
  }

  private void choosePart(String name) {
    part = name;
    showPart();
  }

  private void remove() {
    gig()
        .ifPresent(
            g ->
                workspace
                    .frame()
                    .ask(
                        Words.of("gigs.askRemove", g.title()),
                        Words.of("gigs.remove"),
                        () ->
                            edits.set(
                                Words.of("change.removeGig", g.title()),
                                all -> all.minus(g.title()))));
  }

  @Override
  public void shown() {
    node.setCenter(main);
    refresh();
  }

  /** Lists the gigs and looks at the chosen one, beside the window. */
  private void refresh() {
    list();
    Optional<Gig> gig = gig();
    if (gig.isEmpty()) {
      showNothing();
      return;
    }
    CollectionState state = workspace.state().get();
    CrateContents contents = workspace.contents();
    Optional<GigLook> before = look.filter(l -> l.gig().title().equals(gig.get().title()));
    workspace.promptly(this, () -> GigLook.of(gig.get(), state, contents, before), this::show);
    if (!gig.get().wishes().isEmpty()) {
      lookForWishes(gig.get(), state.snapshot());
    }
  }

  /** What wishes may be takes longer on large collections, and is shown when it is there. */
  private void lookForWishes(Gig gig, Snapshot snapshot) {
    Optional<WishIndex> known = index.filter(i -> i.holdsFor(snapshot));
    workspace.latestOnly(
        side,
        () -> {
          WishIndex of = known.orElseGet(() -> WishIndex.of(snapshot));
          return new HeldWishes(of, of.answers(gig.wishes()));
        },
        held -> {
          index = Optional.of(held.index());
          side.show(held.answers());
        });
  }

  private void list() {
    Gigs all = workspace.state().get().gigs();
    LocalDate today = workspace.collection().today();
    if (!awaited.isEmpty() && all.named(awaited).isPresent()) {
      chosen = awaited;
      awaited = "";
      part = "";
    }
    if (gig().isEmpty()) {
      chosen =
          Stream.concat(all.coming(today).stream(), all.played(today).stream())
              .map(Gig::title)
              .findFirst()
              .orElse("");
      part = "";
    }
    gigs.show(all, today, chosen);
  }

  private void showNothing() {
    look = Optional.empty();
    title.setText(Words.of("gigs.noneTitle"));
    evening.setText(Words.of("gigs.none"));
    main.getChildren().setAll(whole.getFirst(), evening, first());
    gigButtons.setVisible(false);
    node.setRight(null);
  }

  private Node first() {
    return new HBox(Look.primary(Words.of("gigs.addNew"), this::askNew));
  }

  private void show(GigLook found) {
    Gig gig = found.gig();
    if (!gig.title().equalsIgnoreCase(chosen)) {
      return;
    }
    look = Optional.of(found);
    if (gig.part(awaitedPart).isPresent()) {
      part = awaitedPart;
      awaitedPart = "";
    }
    if (gig.part(part).isEmpty()) {
      part =
          gig.allParts().stream()
              .filter(p -> p.parts().isEmpty())
              .map(GigPart::name)
              .findFirst()
              .orElse("");
    }
    Look.data(title, gig.title());
    Look.data(evening, words(gig.evening()));
    gigButtons.setVisible(true);
    if (!main.getChildren().equals(whole)) {
      main.getChildren().setAll(whole);
    }
    side.show(found);
    if (node.getCenter() == main) {
      node.setRight(side);
    }
    showPart();
  }

  private static String words(Evening evening) {
    String people = evening.people().stream().map(Person::line).collect(Collectors.joining("; "));
    return List.of(
            evening.place(),
            Words.of("gigs.when", evening.day(), evening.from(), evening.until()),
            people)
        .stream()
        .filter(s -> !s.isEmpty())
        .collect(Collectors.joining(" · "));
  }

  private Optional<Stretch> stretch() {
    return look.flatMap(l -> l.program().stretch(part));
  }

  private void showPart() {
    look.ifPresent(l -> picture.show(l, part));
    boolean there = stretch().isPresent();
    partButtons.setVisible(there);
    Look.data(partTitle, there ? part : Words.of("gigs.noPart"));
    Look.data(partWords, stretch().map(s -> words(s.music().part())).orElse(""));
    pane.show(
        stretch()
            .map(s -> new TrackList(chosen + " · " + part, s.music().tracks()))
            .orElse(TrackList.NONE));
  }

  private static String words(GigPart part) {
    String rule =
        part.rule().map(r -> Words.of("gigs.builtOn", FindText.write(r.query()))).orElse("");
    String hand = part.tracks().isEmpty() ? "" : Words.of("gigs.byHand", part.tracks().size());
    return List.of(hand, rule, part.notes().lines().findFirst().orElse("")).stream()
        .filter(s -> !s.isEmpty())
        .collect(Collectors.joining(" · "));
  }

  private SaidOfTrack at(int id) {
    return stretch()
        .flatMap(s -> s.slot(id))
        .map(s -> look.orElseThrow().program().clock(s.begins() / 60))
        .map(t -> new SaidOfTrack(t.truncatedTo(ChronoUnit.MINUTES).toString(), ""))
        .orElse(SaidOfTrack.NOTHING);
  }

  private SaidOfTrack mark(int id) {
    CollectionState state = workspace.state().get();
    if (state.snapshot().lost(id)) {
      return new SaidOfTrack(Words.of("gigs.lost"), "hole");
    }
    if (state.tracksAway().contains(id)) {
      return new SaidOfTrack(Words.of("gigs.away"), "hole");
    }
    Optional<Gig> gig = gig();
    if (gig.isPresent() && gig.get().mustPlays().stream().anyMatch(m -> m.track() == id)) {
      return new SaidOfTrack(Words.of("gigs.must"), "whole");
    }
    return gig.isPresent() && gig.get().wishes().stream().anyMatch(w -> w.track() == id)
        ? new SaidOfTrack(Words.of("gigs.wish"), "doubt")
        : SaidOfTrack.NOTHING;
  }

  private SaidOfTrack follows(int id) {
    List<GigProgram.Slot> slots = stretch().map(Stretch::slots).orElse(List.of());
    Snapshot snapshot = workspace.state().get().snapshot();
    for (int i = 1; i < slots.size(); i++) {
      if (slots.get(i).id() == id) {
        return GigStep.of(snapshot, slots.get(i - 1).id(), id, TEMPO_SHARE);
      }
    }
    return SaidOfTrack.NOTHING;
  }

  private void draft() {
    gig().ifPresent(g -> g.part(part).ifPresent(p -> drafts.ask(g, p)));
  }

  /** Takes the chosen tracks out of what was picked by hand. */
  private void unpick() {
    Set<Integer> out = Set.copyOf(pane.rows().in(pane.selection()));
    gig()
        .ifPresent(
            g ->
                edits.edit(
                    g.title(),
                    Words.of("change.gigUnpick", out.size(), part),
                    now ->
                        now.withPart(
                            part,
                            p ->
                                p.withTracks(
                                    p.tracks().stream()
                                        .filter(id -> !out.contains(id))
                                        .toList()))));
  }
}
