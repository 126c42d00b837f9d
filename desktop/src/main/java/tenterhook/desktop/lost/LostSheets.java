package tenterhook.desktop.lost;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.lost.DiskReport.OldList;
import tenterhook.adapters.lost.LostSearch;
import tenterhook.core.field.Fields;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.lost.LostFinder.FolderMove;
import tenterhook.core.lost.Wishes;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What can be said of each row, and what can be chosen to do about it. */
final class LostSheets {
  private static final int MOST_DOUBTS = 200;

  private final Workspace workspace;
  private final LostModel model;
  private final LostActions actions;

  /** The sheets, whose buttons do what the actions are. */
  LostSheets(Workspace workspace, LostModel model, LostActions actions) {
    this.workspace = workspace;
    this.model = model;
    this.actions = actions;
  }

  /**
   * What is shown of a row.
   *
   * @param tracks for the table; empty when there is none to show
   */
  record Sheet(
      String title,
      String words,
      List<Button> buttons,
      List<LostChoice> decisions,
      Optional<RoaringBitmap> tracks) {}

  /** Something that can be decided by one button. */
  record LostChoice(String what, String why, String button, boolean primary, Runnable action) {}

  Sheet of(LostItem item) {
    return switch (item) {
      case LostItem.LostFolder folder -> folder(folder);
      case LostItem.AwayRoot away -> away(away);
      case LostItem.ChangedFiles changed ->
          new Sheet(
              changed.name(),
              Words.of("lost.changedWords"),
              List.of(
                  named(
                      "lost-read",
                      Look.primary(
                          Words.of("lost.read"), () -> model.readAgain(changed.tracks())))),
              List.of(),
              Optional.of(changed.tracks()));
      case LostItem.Unknown unknown ->
          new Sheet(
              unknown.name(),
              Words.of("lost.unknownWords"),
              List.of(
                  named(
                      "lost-bring",
                      Look.primary(
                          Words.of("lost.bring", unknown.files().size()),
                          () -> actions.bring(unknown.files())))),
              rows(unknown.files()),
              Optional.empty());
      case LostItem.OldLists lists -> lists(lists);
      case LostItem.BareFolders empty ->
          new Sheet(
              empty.name(),
              Words.of("lost.emptyWords"),
              List.of(
                  named(
                      "lost-tidy",
                      Look.button(
                          Words.of("lost.tidy", empty.folders().size()),
                          () -> actions.tidy(empty.folders())))),
              rows(empty.folders()),
              Optional.empty());
      case LostItem.WishList wishes -> wishes(wishes);
    };
  }

  /** What is shown when nothing is amiss. */
  Sheet nothing() {
    return new Sheet(
        Words.of("lost.noneTitle"),
        Words.of("lost.none"),
        List.of(lookButton()),
        List.of(),
        Optional.empty());
  }

  private static Button named(String id, Button button) {
    button.setId(id);
    return button;
  }

  private Button lookButton() {
    return named("lost-look", Look.primary(Words.of("lost.look"), () -> model.look(List.of())));
  }

  private Sheet folder(LostItem.LostFolder folder) {
    return new Sheet(
        Words.of("lost.title", folder.name()),
        Words.of("lost.words"),
        List.of(
            lookButton(),
            Look.button(Words.of("lost.repoint"), actions::lookElsewhere),
            named("lost-wish", Look.button(Words.of("lost.wish"), () -> actions.wish(folder))),
            Look.button(Words.of("lost.replace"), actions::replace),
            Look.button(Words.of("lost.remove"), () -> actions.remove(folder), "danger")),
        found(folder),
        Optional.of(folder.tracks()));
  }

  private List<LostChoice> found(LostItem.LostFolder folder) {
    LostSearch search = model.search();
    Snapshot snapshot = workspace.state().get().snapshot();
    List<LostChoice> all = new ArrayList<>();
    for (FolderMove move : search.moves()) {
      all.add(
          new LostChoice(
              Words.of("lost.move", move.from(), move.to()),
              Words.of("lost.moveWords", move.files().size(), move.lost()),
              Words.of("lost.close", move.files().size()),
              true,
              () -> model.close(move.files())));
    }
    for (Candidate one : search.single()) {
      all.add(decision(snapshot, one, Words.of("lost.close", 1), true));
    }
    doubts(search, folder.tracks())
        .forEach(c -> all.add(decision(snapshot, c, Words.of("lost.thisOne"), false)));
    if (all.isEmpty() && model.looked()) {
      all.add(new LostChoice(Words.of("lost.notFound"), "", "", false, () -> {}));
    }
    return all;
  }

  /** Candidates that only the DJ can choose from. */
  private static List<Candidate> doubts(LostSearch search, RoaringBitmap tracks) {
    return search.candidates().entrySet().stream()
        .filter(e -> tracks.contains(e.getKey()) && LostFinder.sure(e.getValue()).isEmpty())
        .filter(
            e ->
                search.moves().stream()
                    .noneMatch(m -> m.files().stream().anyMatch(c -> c.id() == e.getKey())))
        .flatMap(e -> e.getValue().stream())
        .limit(MOST_DOUBTS)
        .toList();
  }

  private LostChoice decision(Snapshot snapshot, Candidate one, String button, boolean primary) {
    return new LostChoice(
        snapshot.fileName(one.id()) + " → " + one.file().place().path(),
        Words.of("lost.certainty", one.certainty(), one.reason()),
        button,
        primary,
        () -> model.close(List.of(one)));
  }

  private Sheet away(LostItem.AwayRoot away) {
    return new Sheet(
        away.name(),
        Words.of("lost.awayWords", away.root().path()),
        List.of(
            named("lost-again", Look.primary(Words.of("lost.again"), model::check)),
            Look.button(Words.of("lost.elsewhere"), () -> actions.elsewhere(away)),
            Look.button(Words.of("lost.reallyGone"), () -> actions.reallyGone(away), "danger")),
        List.of(),
        Optional.of(away.tracks()));
  }

  private static List<LostChoice> rows(List<Path> paths) {
    return paths.stream()
        .map(
            p ->
                new LostChoice(
                    p.getFileName().toString(), String.valueOf(p.getParent()), "", false, () -> {}))
        .toList();
  }

  private Sheet lists(LostItem.OldLists lists) {
    return new Sheet(
        lists.name(),
        Words.of("lost.listsWords"),
        List.of(),
        lists.lists().stream().map(this::decision).toList(),
        Optional.empty());
  }

  private LostChoice decision(OldList list) {
    return new LostChoice(
        list.file().toString(),
        Words.of("lost.list", list.entries(), list.dead(), list.found()),
        list.found() == 0 ? "" : Words.of("lost.mend", list.found()),
        true,
        () -> actions.mend(list));
  }

  private Sheet wishes(LostItem.WishList wishes) {
    Snapshot snapshot = workspace.state().get().snapshot();
    return new Sheet(
        wishes.name(),
        Words.of("lost.wishesWords"),
        List.of(
            named(
                "lost-export",
                Look.primary(Words.of("lost.export"), () -> actions.export(wishes.tracks())))),
        wishes.tracks().stream()
            .map(
                id ->
                    new LostChoice(
                        snapshot.name(id),
                        snapshot.raw(id, Fields.PATH),
                        Words.of("lost.noWish"),
                        false,
                        () ->
                            workspace.apply(
                                Wishes.takeBack(
                                    workspace.state().get().snapshot(),
                                    RoaringBitmap.bitmapOf(id)))))
            .toList(),
        Optional.empty());
  }
}
