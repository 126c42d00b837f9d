package tenterhook.desktop.listen;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.SVGPath;
import tenterhook.adapters.listen.Status;
import tenterhook.adapters.listen.Status.State;
import tenterhook.core.field.Fields;
import tenterhook.core.measure.Measurement;
import tenterhook.core.measure.Overview;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.Waveform;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Listening;
import tenterhook.desktop.workspace.Workspace;

/** The bar at the foot: the chosen track, its data, its shape, and what is heard of it. */
public final class ListeningStrip extends HBox {
  /** Room for all facts of most tracks; the cloth beside it takes the rest. */
  private static final double WORDS = 290;

  private static final String PLAY = "M0 0 L12 7 L0 14 Z";
  private static final String REST = "M0 0 H4 V14 H0 Z M8 0 H12 V14 H8 Z";

  private final Workspace workspace;
  private final Listening listening;
  private final SVGPath sign = new SVGPath();
  private final Button play;
  private final Label name = Look.label("", "strong");
  private final Label facts = Look.label("", "second");
  private final Label time = Look.label("", "mono");
  private final Label note = Look.label("", "second");
  private final Waveform wave = new Waveform(true);
  private final Tooltip path = new Tooltip();
  private int shown = -1;
  private String shownSound = "";

  /**
   * The strip.
   *
   * @param walk goes to the next track of the list in view, or to the one before
   */
  public ListeningStrip(Workspace workspace, java.util.function.IntConsumer walk) {
    this.workspace = workspace;
    this.listening = workspace.listening();
    getStyleClass().add("strip");
    sign.setContent(PLAY);
    sign.getStyleClass().add("strip-sign");
    play = Look.button("", listening::toggle, "strip-play");
    play.setGraphic(sign);
    play.setId("play");
    Look.tip(play, Words.of("strip.play"));
    Button before = small("strip-before", "‹", "strip.before", () -> walk.accept(-1));
    Button after = small("strip-after", "›", "strip.after", () -> walk.accept(1));
    wave.setId("strip-wave");
    wave.setAccessibleText(Words.of("strip.wave"));
    wave.onWish(share -> listening.length().ifPresent(l -> listening.seek(share * l)));
    StackPane cloth = new StackPane(wave, note);
    HBox.setHgrow(cloth, Priority.ALWAYS);
    time.setMinWidth(96);
    time.setAlignment(Pos.CENTER_RIGHT);
    getChildren().addAll(play, before, after, words(), cloth, time, even(), devices(), follow());
    workspace.chosen().addListener((o, was, now) -> show());
    workspace.state().addListener((o, was, now) -> show());
    listening.status().addListener((o, was, now) -> heard(now));
    show();
  }

  private VBox words() {
    name.setId("strip-name");
    facts.setId("strip-facts");
    time.setId("strip-time");
    note.setId("strip-note");
    VBox words = new VBox(2, name, facts);
    words.setAlignment(Pos.CENTER_LEFT);
    words.setMinWidth(WORDS);
    words.setMaxWidth(WORDS);
    Tooltip.install(words, path);
    return words;
  }

  private static Button small(String id, String text, String tip, Runnable action) {
    Button button = Look.button(text, action, "strip-small");
    button.setId(id);
    return Look.tip(button, Words.of(tip));
  }

  private ToggleButton even() {
    ToggleButton button = new ToggleButton(Words.of("strip.even"));
    button.setId("strip-even");
    button.getStyleClass().add("strip-small");
    button.setMinWidth(USE_PREF_SIZE);
    button.setSelected(listening.even());
    button.setOnAction(e -> listening.even(button.isSelected()));
    return Look.tip(button, Words.of("strip.evenTip"));
  }

  private MenuButton devices() {
    MenuButton menu = new MenuButton(Words.of("strip.device"));
    menu.setId("strip-device");
    menu.getStyleClass().add("strip-small");
    menu.setMinWidth(USE_PREF_SIZE);
    menu.setOnShowing(
        e -> {
          menu.getItems().setAll(device(Words.of("strip.usual"), ""));
          menu.getItems().add(new SeparatorMenuItem());
          List<String> names = listening.devices();
          names.forEach(n -> menu.getItems().add(device(n, n)));
          if (names.isEmpty()) {
            RadioMenuItem none = new RadioMenuItem(Words.of("strip.noDevice"));
            none.setDisable(true);
            menu.getItems().add(none);
          }
        });
    menu.getItems().add(device(Words.of("strip.usual"), ""));
    return Look.tip(menu, Words.of("strip.deviceTip"));
  }

  private RadioMenuItem device(String words, String name) {
    RadioMenuItem item = new RadioMenuItem(words);
    item.setSelected(listening.device().equals(name));
    item.setOnAction(e -> listening.device(name));
    return item;
  }

  private Button follow() {
    Button button =
        Look.button(Words.of("strip.follow"), () -> workspace.frame().goesWith(), "strip-small");
    button.setId("strip-follow");
    button.setMinWidth(USE_PREF_SIZE);
    return Look.tip(button, Words.of("strip.followTip"));
  }

  private void show() {
    int id = workspace.chosen().get();
    Snapshot snapshot = workspace.state().get().snapshot();
    boolean there = id != 0 && snapshot.has(id);
    play.setDisable(!there);
    if (!there) {
      name.setText(Words.of("strip.none"));
      facts.setText(Words.of("strip.noneWords"));
      path.setText(Words.of("strip.none"));
      wave.show(Overview.EMPTY);
      wave.clearMarks();
      shown = 0;
      heard(listening.status().get());
      return;
    }
    Look.data(name, snapshot.name(id));
    Look.data(facts, TrackFacts.of(workspace, snapshot, id));
    path.setText(
        String.join(
            "\n",
            facts.getText(),
            snapshot.raw(id, Fields.ROOT) + "/" + snapshot.raw(id, Fields.PATH)));
    String sound = snapshot.raw(id, Fields.SOUND);
    if (id != shown || !sound.equals(shownSound)) {
      shown = id;
      shownSound = sound;
      wave.show(Overview.EMPTY);
      wave.clearMarks();
      listening.overview(id, o -> drawn(id, o));
    }
    heard(listening.status().get());
  }

  private void drawn(int id, Overview overview) {
    if (id != shown) {
      return;
    }
    wave.show(overview);
    wave.clearMarks();
    listening.measured(found -> found.ifPresent(this::mark));
    heard(listening.status().get());
  }

  /** What is only where the file begins or ends, or is all of it, is not worth a word. */
  private void mark(Measurement of) {
    double all = Math.max(0.1, of.seconds());
    if (of.bounds().startSeconds() > 0.3) {
      wave.mark(of.bounds().startSeconds() / all, Words.of("strip.start"));
    }
    of.loudest()
        .filter(p -> of.passages().size() > 1)
        .ifPresent(p -> wave.mark(p.startSeconds() / all, Words.of("strip.loudest")));
    if (all - of.bounds().endSeconds() > 0.3) {
      wave.mark(of.bounds().endSeconds() / all, Words.of("strip.end"));
    }
  }

  private void heard(Status now) {
    boolean here = listening.here();
    boolean playing = here && now.state() == State.PLAYING;
    sign.setContent(playing ? REST : PLAY);
    double length = listening.length().orElse(0.0);
    double at = here ? now.seconds() : 0;
    time.setText(workspace.chosen().get() == 0 ? "" : clock(at) + " / " + clock(length));
    wave.position(here && length > 0 ? Math.min(1, at / length) : -1);
    Optional<Status.Loop> loop = here ? now.loop() : Optional.empty();
    wave.loop(
        loop.map(l -> l.fromSeconds() / length).orElse(0.0),
        loop.map(l -> l.toSeconds() / length).orElse(0.0));
    note(here, now);
  }

  private void note(boolean here, Status now) {
    boolean trouble = here && now.state() == State.TROUBLE;
    String words = "";
    if (trouble) {
      words = Words.of("strip.trouble", now.trouble());
    } else if (here && now.silent()) {
      words = Words.of("strip.silent");
    } else if (shown > 0 && wave.overview().columns() == 0) {
      words = Words.of("strip.unmeasured");
    }
    note.getStyleClass().remove("strip-trouble");
    if (trouble) {
      note.getStyleClass().add("strip-trouble");
    }
    Look.data(note, words);
    boolean over = wave.overview().columns() > 0;
    StackPane.setAlignment(note, over && !trouble ? Pos.TOP_RIGHT : Pos.CENTER);
  }

  private static String clock(double seconds) {
    long whole = (long) seconds;
    return whole / 60 + ":" + (whole % 60 < 10 ? "0" : "") + whole % 60;
  }
}
