package tenterhook.desktop.duplicate;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.crate.Crate;
import tenterhook.core.duplicate.Gain;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Resolution;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.control.Waveform;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/**
 * Copies as columns, attributes as rows; what differs is marked, the survivor stands out and says
 * what it takes from the others.
 */
final class CopiesGrid extends GridPane {
  private static final List<Field<?>> ROWS =
      List.of(
          Fields.CODEC,
          Fields.DURATION,
          Fields.SIZE,
          Fields.ARTIST,
          Fields.TITLE,
          Fields.ALBUM,
          Fields.YEAR,
          Fields.ARTWORK,
          Fields.CODES,
          Fields.RATING,
          Fields.PLAYS,
          Fields.ADDED);
  private static final double NAMES = 74;

  private final Workspace workspace;
  private final Set<String> declined = new HashSet<>();
  private List<Integer> tracks = List.of();
  private Map<String, Gain> gains = Map.of();
  private int survivor;
  private int row;

  CopiesGrid(Workspace workspace) {
    this.workspace = workspace;
    setId("copies");
  }

  int survivor() {
    return survivor;
  }

  List<Integer> spares() {
    return tracks.stream().filter(id -> id != survivor).toList();
  }

  /** Keys of what the survivor is not to take. */
  Set<String> declined() {
    return Set.copyOf(declined);
  }

  void clear() {
    getChildren().clear();
    tracks = List.of();
  }

  void show(Group group) {
    if (!Set.copyOf(tracks).equals(Set.copyOf(group.tracks()))) {
      declined.clear();
    }
    tracks = group.tracks();
    survivor = group.survivor();
    fill();
  }

  /**
   * Plays a copy from the moment that is heard now.
   *
   * @param number of the copy, from 0
   * @return whether there is such a copy
   */
  boolean hear(int number) {
    if (number >= tracks.size()) {
      return false;
    }
    double seconds =
        tracks.contains(workspace.listening().loaded())
            ? workspace.listening().status().get().seconds()
            : 0;
    workspace.chosen().set(tracks.get(number));
    workspace.listening().seek(seconds);
    return true;
  }

  /** Makes the copy that was heard last the survivor. */
  void keepHeard() {
    if (tracks.contains(workspace.listening().loaded())) {
      keep(workspace.listening().loaded());
    }
  }

  private void keep(int id) {
    survivor = id;
    declined.clear();
    fill();
  }

  private void fill() {
    getChildren().clear();
    gains = new HashMap<>();
    CollectionState state = workspace.state().get();
    if (tracks.stream().anyMatch(id -> !state.snapshot().has(id))) {
      return;
    }
    new Resolution(state.snapshot(), state.codebook(), state.holders(), survivor, spares())
        .gains()
        .forEach(g -> gains.put(g.key(), g));
    columns();
    row = 1;
    row(Words.of("copies.sound"), tracks.stream().map(this::wave).toList());
    fields();
    row(Words.of("copies.crates"), tracks.stream().map(id -> (Node) crates(id)).toList());
    otherGains();
  }

  private void fields() {
    for (Field<?> field : ROWS) {
      boolean told = tracks.stream().anyMatch(id -> !shown(field, id).isEmpty());
      if (!told) {
        continue;
      }
      row(field.label(), tracks.stream().map(id -> (Node) value(field, id)).toList());
    }
  }

  private void columns() {
    getColumnConstraints().setAll(new ColumnConstraints(NAMES));
    for (int i = 0; i < tracks.size(); i++) {
      ColumnConstraints wide = new ColumnConstraints(150, 210, 420);
      wide.setHgrow(Priority.ALWAYS);
      getColumnConstraints().add(wide);
      add(head(i), i + 1, 0);
    }
  }

  private void row(String name, List<Node> values) {
    add(Look.label(name, "second", "copy"), 0, row);
    for (int i = 0; i < values.size(); i++) {
      add(values.get(i), i + 1, row);
    }
    row++;
  }

  private VBox head(int place) {
    int id = tracks.get(place);
    boolean kept = id == survivor;
    String what = Words.of(kept ? "duplicates.survivor" : "duplicates.spare");
    Label name = Look.label((place + 1) + "  " + what, kept ? "whole" : "second");
    Label path = Look.dataLabel(snapshot().raw(id, Fields.PATH), "strong");
    path.setWrapText(true);
    VBox box = new VBox(2, name, path);
    if (!kept) {
      var make = Look.button(Words.of("duplicates.makeSurvivor"), () -> keep(id), "quiet");
      make.setId("make-survivor-" + (place + 1));
      box.getChildren().add(make);
    }
    return styled(box, kept, false);
  }

  private static <T extends Region> T styled(T cell, boolean kept, boolean differs) {
    cell.getStyleClass().add("copy");
    cell.setMaxWidth(Double.MAX_VALUE);
    cell.setMaxHeight(Double.MAX_VALUE);
    if (kept) {
      cell.getStyleClass().add("kept");
    } else if (differs) {
      cell.getStyleClass().add("differs");
    }
    return cell;
  }

  private Snapshot snapshot() {
    return workspace.state().get().snapshot();
  }

  private Node wave(int id) {
    Waveform shape = new Waveform(false);
    shape.setPrefHeight(34);
    workspace.listening().overview(id, shape::show);
    return styled(new StackPane(shape), id == survivor, false);
  }

  private VBox value(Field<?> field, int id) {
    String shown = shown(field, id);
    boolean differs = !shown.equals(shown(field, survivor));
    VBox cell = new VBox(1, Look.dataLabel(shown.isEmpty() ? Words.of("none") : shown));
    if (id == survivor) {
      gain(field == Fields.CODES ? target() : field).ifPresent(cell.getChildren()::add);
    }
    return styled(cell, id == survivor, differs);
  }

  private Field<?> target() {
    return workspace.state().get().codebook().notation().target();
  }

  private String shown(Field<?> field, int id) {
    Snapshot snapshot = snapshot();
    if (field == Fields.SIZE) {
      return Words.megabytes(snapshot.value(id, Fields.SIZE).orElse(0L));
    }
    if (field == Fields.CODEC) {
      String kbps = snapshot.shown(id, Fields.BITRATE);
      String like =
          snapshot
              .value(id, Fields.REAL_KBPS)
              .map(k -> ", " + Words.of("copies.soundsLike", String.valueOf(k)))
              .orElse("");
      return snapshot.raw(id, Fields.CODEC) + (kbps.isEmpty() ? "" : " " + kbps + " kbps") + like;
    }
    return snapshot.shown(id, field);
  }

  private Optional<CheckBox> gain(Field<?> field) {
    return Optional.ofNullable(gains.get(field.key())).map(g -> box(g, words(g)));
  }

  private CheckBox box(Gain gain, String text) {
    CheckBox box = new CheckBox();
    Look.data(box, text);
    box.setId("gain-" + gain.key());
    box.getStyleClass().add("gain");
    box.setWrapText(true);
    box.setSelected(!declined.contains(gain.key()));
    box.setOnAction(
        e -> {
          if (box.isSelected()) {
            declined.remove(gain.key());
          } else {
            declined.add(gain.key());
          }
        });
    return box;
  }

  private String words(Gain gain) {
    return switch (gain) {
      case Gain.Places places -> Words.of("copies.places", String.join(", ", places.names()));
      case Gain.ValueGain value when value.field() == Fields.PLAYS ->
          Words.of("copies.becomes", value.after());
      case Gain.ValueGain value when value.field() == Fields.ARTWORK ->
          Words.of("copies.takes", Artwork.parse(value.after()).map(Artwork::size).orElse(""));
      case Gain.ValueGain value when value.field() == target() ->
          Words.of("copies.takes", newCodes());
      case Gain.ValueGain value ->
          Words.of("copies.takes", value.field().type().show(value.after()));
    };
  }

  /** The codes that the spares have and the survivor has not. */
  private String newCodes() {
    List<String> own = snapshot().value(survivor, Fields.CODES).orElse(List.of());
    return String.join(
        " ",
        spares().stream()
            .flatMap(id -> snapshot().value(id, Fields.CODES).orElse(List.of()).stream())
            .filter(c -> !own.contains(c))
            .distinct()
            .toList());
  }

  private VBox crates(int id) {
    List<String> names = new ArrayList<>();
    for (Crate crate : workspace.state().get().crates().all()) {
      if (crate instanceof Crate.HandCrate hand && hand.tracks().contains(id)) {
        names.add(hand.name());
      }
    }
    String text = names.isEmpty() ? Words.of("none") : String.join(", ", names);
    Label label = Look.dataLabel(text);
    label.setWrapText(true);
    VBox cell = new VBox(1, label);
    if (id == survivor && gains.containsKey("crates")) {
      cell.getChildren().add(box(gains.get("crates"), words(gains.get("crates"))));
    }
    return styled(cell, id == survivor, false);
  }

  /** What is taken for fields that have no row of their own. */
  private void otherGains() {
    VBox cell = new VBox(2);
    gains.values().stream()
        .filter(g -> g instanceof Gain.ValueGain)
        .map(g -> (Gain.ValueGain) g)
        .filter(g -> !ROWS.contains(g.field()) && g.field() != target())
        .sorted((a, b) -> a.key().compareTo(b.key()))
        .forEach(
            g ->
                cell.getChildren()
                    .add(box(g, g.field().label().toLowerCase(Locale.ROOT) + ": " + words(g))));
    if (!cell.getChildren().isEmpty()) {
      add(Look.label(Words.of("copies.more"), "second", "copy"), 0, row);
      add(styled(cell, true, false), tracks.indexOf(survivor) + 1, row);
      row++;
    }
  }
}
