package tenterhook.desktop.repair;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import tenterhook.core.change.Change;
import tenterhook.core.change.Edit;
import tenterhook.core.code.Codebook;
import tenterhook.core.edit.GenreEdits;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.TwoLineCell;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** All genres with their counts; one can become another, or be part of another. */
final class GenresPane extends VBox {
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);

  private final Workspace workspace;
  private final ListView<Genre> list = new ListView<>();

  /** A genre with how many tracks have it and what it is part of. */
  record Genre(String name, int tracks, List<String> above) {}

  GenresPane(Workspace workspace) {
    super(6);
    this.workspace = workspace;
    prepare();
    Label words = Look.label(Words.of("genres.words"), "second");
    words.setWrapText(true);
    var becomes = Look.button(Words.of("genres.becomes"), this::becomes);
    becomes.setId("genre-becomes");
    var part = Look.button(Words.of("genres.part"), this::part);
    part.setId("genre-part");
    getChildren()
        .addAll(
            Look.label(Words.of("genres.title"), "strong"),
            words,
            list,
            new HBox(8, becomes, part));
  }

  private void prepare() {
    list.setId("genres");
    list.getStyleClass().add("picked");
    list.setPrefHeight(190);
    list.setCellFactory(
        l ->
            new TwoLineCell<>(
                Genre::name,
                g ->
                    Words.of("genres.count", g.tracks())
                        + (g.above().isEmpty()
                            ? ""
                            : " · " + Words.of("genres.partOf", String.join(" › ", g.above())))));
  }

  void refresh() {
    Snapshot snapshot = workspace.state().get().snapshot();
    Codebook book = workspace.state().get().codebook();
    workspace.latestOnly(this, () -> genres(snapshot, book), this::show);
  }

  private static List<Genre> genres(Snapshot snapshot, Codebook book) {
    Map<String, Integer> counts = new TreeMap<>();
    snapshot
        .tracks()
        .forEach(
            (int id) -> {
              for (String genre : snapshot.raw(id, Fields.GENRE).split(SEPARATOR)) {
                counts.merge(genre, 1, Integer::sum);
              }
            });
    counts.remove("");
    book.genres().parents().values().forEach(p -> counts.putIfAbsent(p, 0));
    List<Genre> genres = new ArrayList<>();
    counts.forEach((name, count) -> genres.add(new Genre(name, count, book.genres().above(name))));
    genres.sort((a, b) -> b.tracks() - a.tracks());
    return genres;
  }

  private void show(List<Genre> genres) {
    if (!genres.equals(list.getItems())) {
      list.getItems().setAll(genres);
    }
  }

  private void becomes() {
    Genre one = list.getSelectionModel().getSelectedItem();
    if (one != null) {
      workspace
          .frame()
          .askText(
              Words.of("genres.becomesAsk", one.name(), one.tracks()),
              one.name(),
              Words.of("genres.becomesDo"),
              to ->
                  workspace.command(
                      Words.of("genres.title"),
                      one.tracks(),
                      now ->
                          GenreEdits.becomes(
                              now.snapshot(),
                              now.codebook(),
                              now.snapshot().tracks(),
                              one.name(),
                              to)));
    }
  }

  private void part() {
    Genre one = list.getSelectionModel().getSelectedItem();
    if (one != null) {
      workspace
          .frame()
          .askText(
              Words.of("genres.partAsk", one.name()),
              one.above().isEmpty() ? "" : one.above().getFirst(),
              Words.of("genres.partDo"),
              to -> under(one.name(), to));
    }
  }

  private void under(String genre, String parent) {
    Codebook book = workspace.state().get().codebook();
    try {
      Codebook after = book.with(book.genres().under(genre, parent.equals("-") ? "" : parent));
      String title = Words.of("genres.partTitle", genre, parent);
      workspace.apply(new Change(title, true, List.of(new Edit.SetCodebook(book, after))));
    } catch (IllegalArgumentException circle) {
      workspace.frame().inform(String.valueOf(circle.getMessage()), true, 0);
    }
  }
}
