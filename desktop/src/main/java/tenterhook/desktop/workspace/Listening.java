package tenterhook.desktop.workspace;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.util.Duration;
import tenterhook.adapters.listen.Player;
import tenterhook.adapters.listen.Status;
import tenterhook.adapters.listen.Status.Loop;
import tenterhook.adapters.listen.Status.State;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.field.Fields;
import tenterhook.core.goeswith.GoesWith;
import tenterhook.core.listen.LevelRule;
import tenterhook.core.listen.SoundOutputs;
import tenterhook.core.measure.Measurement;
import tenterhook.core.measure.Overview;
import tenterhook.core.measure.Passage;
import tenterhook.core.measure.TempoFound;

/**
 * Listening to the chosen track: what the keys and the strip's buttons do. No nodes. Previewing
 * never counts as a play.
 */
public final class Listening {
  private static final String DEVICE = "sound device";
  private static final String EVEN = "even level";
  private static final Duration TICK = Duration.millis(40);
  private static final int REMEMBERED = 2000;

  /** A bar where no tempo is known. */
  private static final double USUAL_BAR_SECONDS = 2;

  private static final int IDLE_TICKS = 10;

  private final Workspace workspace;
  private final SoundOutputs outputs;
  private final Player player;
  private final ReadOnlyObjectWrapper<Status> status;
  private final Timeline ticks = new Timeline(new KeyFrame(TICK, e -> tick()));
  private final Map<String, Optional<Overview>> overviews = recent();
  private String measuredSound = "";
  private Optional<Measurement> measured = Optional.empty();
  private int loaded;
  private int idle;
  private boolean even;
  private String device;

  /**
   * Listening in a workspace.
   *
   * @param outputs the machine's devices
   * @param standIn used when there are none
   */
  public Listening(Workspace workspace, SoundOutputs outputs, SoundOutputs standIn) {
    this.workspace = workspace;
    this.outputs = outputs;
    this.device = workspace.collection().setting(DEVICE).orElse("");
    this.even = workspace.collection().setting(EVEN).map("yes"::equals).orElse(true);
    this.player = new Player(outputs, standIn, device);
    this.status = new ReadOnlyObjectWrapper<>(player.status());
    ticks.setCycleCount(Animation.INDEFINITE);
  }

  private static Map<String, Optional<Overview>> recent() {
    return new LinkedHashMap<>(64, 0.75f, true) {
      @Override
      protected boolean removeEldestEntry(Map.Entry<String, Optional<Overview>> eldest) {
        return size() > REMEMBERED;
      }
    };
  }

  private void tick() {
    Status now = player.status();
    status.set(now);
    idle = now.state() == State.PLAYING ? 0 : idle + 1;
    if (idle > IDLE_TICKS) {
      ticks.stop();
    }
  }

  private void watch() {
    idle = 0;
    ticks.play();
  }

  /** What is heard, or why not; follows about 25 times a second. */
  public ReadOnlyObjectProperty<Status> status() {
    return status.getReadOnlyProperty();
  }

  /** The track that was loaded last, 0 for none. */
  public int loaded() {
    return loaded;
  }

  /** Whether the chosen track is the one that is loaded. */
  public boolean here() {
    return loaded != 0 && loaded == workspace.chosen().get();
  }

  /** Plays the chosen track, or stands still when it is heard. */
  public void toggle() {
    if (here() && status.get().state() != State.TROUBLE) {
      player.toggle();
    } else {
      load(0, true);
    }
    watch();
  }

  private void load(double seconds, boolean play) {
    int id = workspace.chosen().get();
    CollectionState state = workspace.state().get();
    if (id == 0 || !state.snapshot().has(id)) {
      return;
    }
    loaded = id;
    player.gain(gain());
    player.load(state.path(id), seconds, play);
    watch();
  }

  private double gain() {
    var snapshot = workspace.state().get().snapshot();
    return even && loaded != 0
        ? LevelRule.gainDb(
            snapshot.value(loaded, Fields.LOUDNESS), snapshot.value(loaded, Fields.TRUE_PEAK))
        : 0;
  }

  /** Goes to a moment of the chosen track and plays on if it did. */
  public void seek(double seconds) {
    if (here() && status.get().state() != State.TROUBLE) {
      player.seek(seconds);
    } else {
      load(seconds, true);
    }
    watch();
  }

  /** Goes forward, or back when negative. */
  public void skip(double seconds) {
    if (here()) {
      player.skip(seconds);
      watch();
    }
  }

  /**
   * Goes to an eighth of the chosen track.
   *
   * @param number 1 to 8
   */
  public void eighth(int number) {
    length().ifPresent(l -> seek(l * (number - 1) / 8));
  }

  /** The chosen track's length in seconds. */
  public Optional<Double> length() {
    double claimed = here() ? status.get().length() : 0;
    return claimed > 0
        ? Optional.of(claimed)
        : workspace.state().get().snapshot().value(workspace.chosen().get(), Fields.DURATION);
  }

  /** Goes to the loudest passage of the chosen track, where it was measured. */
  public void loudest() {
    measured(
        found ->
            found.flatMap(Measurement::loudest).map(Passage::startSeconds).ifPresent(this::seek));
  }

  /** Repeats the bar that is heard, from beat to beat where the tempo is known; again ends it. */
  public void loop() {
    if (!here()) {
      return;
    }
    if (status.get().loop().isPresent()) {
      player.loop(Optional.empty());
    } else {
      measured(found -> player.loop(Optional.of(barAt(status.get().seconds(), found))));
    }
    watch();
  }

  private Loop barAt(double seconds, Optional<Measurement> measured) {
    Optional<TempoFound> tempo = measured.flatMap(Measurement::tempo);
    double beat =
        GoesWith.tempo(workspace.state().get().snapshot(), loaded)
            .map(bpm -> 60 / bpm)
            .orElse(USUAL_BAR_SECONDS / 4);
    double grid = tempo.map(TempoFound::firstBeatSeconds).orElse(seconds);
    double from = Math.max(0, grid + Math.floor((seconds - grid) / beat + 0.05) * beat);
    return new Loop(from, from + 4 * beat);
  }

  /**
   * What was measured of the chosen track, from memory, or read beside the window.
   *
   * @param then gets it on the toolkit's thread, unless another track was chosen meanwhile
   */
  public void measured(Consumer<Optional<Measurement>> then) {
    int id = workspace.chosen().get();
    String sound = id == 0 ? "" : workspace.state().get().snapshot().raw(id, Fields.SOUND);
    if (sound.isEmpty()) {
      then.accept(Optional.empty());
    } else if (sound.equals(measuredSound)) {
      then.accept(measured);
    } else {
      workspace.background(
          () -> workspace.collection().measured().of(sound),
          found -> {
            measuredSound = sound;
            measured = found;
            if (workspace.chosen().get() == id) {
              then.accept(found);
            }
          });
    }
  }

  /**
   * The shape of a track, from memory, or read beside the window.
   *
   * @param id a track
   * @param then gets it on the toolkit's thread, at once when it is remembered; nothing when it was
   *     not measured
   */
  public void overview(int id, Consumer<Overview> then) {
    String sound = workspace.state().get().snapshot().raw(id, Fields.SOUND);
    if (sound.isEmpty()) {
      return;
    }
    Optional<Overview> known = overviews.get(sound);
    if (known != null) {
      known.ifPresent(then);
      return;
    }
    workspace.background(
        () -> workspace.collection().measured().overview(sound),
        found -> {
          overviews.put(sound, found);
          found.ifPresent(then);
        });
  }

  /** Whether tracks are brought to one loudness. */
  public boolean even() {
    return even;
  }

  /** Switches that, and remembers it. */
  public void even(boolean on) {
    even = on;
    player.gain(gain());
    workspace.keepSetting(EVEN, on ? "yes" : "no");
  }

  /** The devices there are, and which one is chosen; empty for the usual one. */
  public List<String> devices() {
    return outputs.names();
  }

  /** The name of the chosen device, empty for the usual one. */
  public String device() {
    return device;
  }

  /** Sends the sound to another device from now on, and remembers it. */
  public void device(String name) {
    device = name;
    player.device(name);
    workspace.keepSetting(DEVICE, name);
    watch();
  }

  /** Stands still, for another view that wants to be heard. */
  public void rest() {
    player.rest();
    watch();
  }

  /** Ends listening for good. */
  public void close() {
    ticks.stop();
    player.close();
  }

  /** The file that is loaded, for those who ask what is heard. */
  public Optional<Path> file() {
    return player.status().file();
  }
}
