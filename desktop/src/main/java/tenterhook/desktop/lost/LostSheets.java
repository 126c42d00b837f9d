package tenterhook.desktop.lost;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.backstage.collection.Playlists;
import tenterhook.backstage.lost.DiskReport;
import tenterhook.backstage.lost.DiskReport.OldList;
import tenterhook.backstage.lost.LostSearch;
import tenterhook.backstage.lost.Replacing;
import tenterhook.backstage.playlist.PlaylistFile;
import tenterhook.core.change.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.lost.LostFinder;
import tenterhook.core.lost.LostFinder.Candidate;
import tenterhook.core.lost.LostFinder.FolderMove;
import tenterhook.core.lost.Wishes;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.play.PlaylistChooser;
import tenterhook.desktop.shell.Desk;
import tenterhook.desktop.theme.Look;
import tenterhook.desktop.theme.Words;

/** What can be said of each row and done about it. */
final class LostSheets {
  private static final int MOST_DOUBTS = 200;

  private final Desk desk;
  private final LostModel model;
  private final Supplier<RoaringBitmap> selection;
  private final Supplier<Window> window;

  /**
   * The sheets.
   *
   * @param selection the tracks that are selected in the table
   */
  LostSheets(
      Desk desk, LostModel model, Supplier<RoaringBitmap> selection, Supplier<Window> window) {
    this.desk = desk;
    this.model = model;
    this.selection = selection;
    this.window = window;
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
      List<Decision> decisions,
      Optional<RoaringBitmap> tracks) {}

  /** Something that can be decided by one button. */
  record Decision(String what, String why, String button, boolean primary, Runnable action) {}

  Sheet of(LostItem item) {
    return switch (item) {
      case LostItem.Folder folder -> folder(folder);
      case LostItem.Away away -> away(away);
      case LostItem.Changed changed ->
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
                          () -> bring(unknown.files())))),
              rows(unknown.files()),
              Optional.empty());
      case LostItem.Lists lists -> lists(lists);
      case LostItem.Empty empty ->
          new Sheet(
              empty.name(),
              Words.of("lost.emptyWords"),
              List.of(
                  named(
                      "lost-tidy",
                      Look.button(
                          Words.of("lost.tidy", empty.folders().size()),
                          () -> tidy(empty.folders())))),
              rows(empty.folders()),
              Optional.empty());
      case LostItem.Wishes wishes -> wishes(wishes);
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

  private Sheet folder(LostItem.Folder folder) {
    return new Sheet(
        Words.of("lost.title", folder.name()),
        Words.of("lost.words"),
        List.of(
            lookButton(),
            Look.button(Words.of("lost.repoint"), this::lookElsewhere),
            named("lost-wish", Look.button(Words.of("lost.wish"), () -> wish(folder))),
            Look.button(Words.of("lost.replace"), this::replace),
            Look.button(Words.of("lost.remove"), () -> remove(folder), "danger")),
        found(folder),
        Optional.of(folder.tracks()));
  }

  private List<Decision> found(LostItem.Folder folder) {
    LostSearch search = model.search();
    Snapshot snapshot = desk.state().get().snapshot();
    List<Decision> all = new ArrayList<>();
    for (FolderMove move : search.moves()) {
      all.add(
          new Decision(
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
      all.add(new Decision(Words.of("lost.notFound"), "", "", false, () -> {}));
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

  private Decision decision(Snapshot snapshot, Candidate one, String button, boolean primary) {
    return new Decision(
        snapshot.fileName(one.id()) + " → " + one.file().place().path(),
        Words.of("lost.certainty", one.certainty(), one.reason()),
        button,
        primary,
        () -> model.close(List.of(one)));
  }

  private void lookElsewhere() {
    File chosen = new DirectoryChooser().showDialog(window.get());
    if (chosen != null) {
      model.look(List.of(chosen.toPath()));
    }
  }

  private RoaringBitmap chosen(LostItem.Folder folder) {
    RoaringBitmap ids = RoaringBitmap.and(selection.get(), folder.tracks());
    return ids.isEmpty() ? folder.tracks() : ids;
  }

  private void wish(LostItem.Folder folder) {
    desk.apply(Wishes.add(desk.state().get().snapshot(), chosen(folder)));
  }

  private void remove(LostItem.Folder folder) {
    RoaringBitmap ids = chosen(folder);
    desk.frame()
        .ask(
            Words.of("ask.removeLost", ids.getCardinality()),
            Words.of("do.remove", ids.getCardinality()),
            () -> desk.apply(TrackEdits.remove(desk.state().get().snapshot(), ids)));
  }

  private void replace() {
    RoaringBitmap ids = selection.get();
    if (ids.getCardinality() != 1) {
      desk.frame().tell(Words.of("lost.chooseOne"), true, 0);
      return;
    }
    File file = new FileChooser().showOpenDialog(window.get());
    if (file != null) {
      replace(ids.first(), file.toPath());
    }
  }

  /** Puts a file in the place of a lost one. */
  void replace(int lost, Path file) {
    desk.job(
        Words.of("lost.replaceJob"),
        false,
        p -> Replacing.one(desk.collection(), lost, file),
        desk::told);
  }

  private Sheet away(LostItem.Away away) {
    Snapshot snapshot = desk.state().get().snapshot();
    return new Sheet(
        away.name(),
        Words.of("lost.awayWords", away.root().path()),
        List.of(
            named("lost-again", Look.primary(Words.of("lost.again"), model::check)),
            Look.button(Words.of("lost.elsewhere"), () -> elsewhere(away)),
            Look.button(Words.of("lost.reallyGone"), () -> reallyGone(away), "danger")),
        List.of(),
        Optional.of(
            snapshot.tracks(id -> snapshot.raw(id, Fields.ROOT).equals(away.root().root()))));
  }

  private void elsewhere(LostItem.Away away) {
    File chosen = new DirectoryChooser().showDialog(window.get());
    if (chosen != null) {
      desk.job(
          Words.of("lost.checkJob"),
          false,
          p -> {
            desk.collection().disks().moveRoot(away.root().root(), chosen.toPath());
            return 0;
          },
          n -> model.check());
    }
  }

  private void reallyGone(LostItem.Away away) {
    desk.frame()
        .ask(
            Words.of("ask.reallyGone", away.root().root(), away.root().tracks()),
            Words.of("do.reallyGone", away.root().tracks()),
            () ->
                desk.job(
                    Words.of("lost.checkJob"),
                    false,
                    p -> {
                      desk.collection().disks().countAsLost(away.root().root());
                      return 0;
                    },
                    n -> model.check()));
  }

  private void bring(List<Path> files) {
    desk.job(
        Words.of("bring.job", files.size()),
        true,
        p -> desk.collection().disks().bring(files, p),
        reports -> {
          DiskReport now = model.disk();
          model.settled(
              new DiskReport(List.of(), now.emptyFolders(), now.playlists(), now.troubles()));
          desk.frame()
              .tell(
                  Words.of("lost.toldBrought", reports.stream().mapToInt(r -> r.added()).sum()),
                  false,
                  0);
        });
  }

  private static List<Decision> rows(List<Path> paths) {
    return paths.stream()
        .map(
            p ->
                new Decision(
                    p.getFileName().toString(), String.valueOf(p.getParent()), "", false, () -> {}))
        .toList();
  }

  private Sheet lists(LostItem.Lists lists) {
    return new Sheet(
        lists.name(),
        Words.of("lost.listsWords"),
        List.of(),
        lists.lists().stream().map(this::decision).toList(),
        Optional.empty());
  }

  private Decision decision(OldList list) {
    return new Decision(
        list.file().toString(),
        Words.of("lost.list", list.entries(), list.dead(), list.found()),
        list.found() == 0 ? "" : Words.of("lost.mend", list.found()),
        true,
        () -> mend(list));
  }

  private void mend(OldList list) {
    desk.job(
        Words.of("lost.mendJob"),
        false,
        p -> DiskReport.mend(list),
        file -> {
          DiskReport now = model.disk();
          model.settled(
              new DiskReport(
                  now.unknown(),
                  now.emptyFolders(),
                  now.playlists().stream().filter(l -> l != list).toList(),
                  now.troubles()));
          desk.frame().tell(Words.of("lost.toldMended", file.getFileName().toString()), false, 0);
        });
  }

  private void tidy(List<Path> folders) {
    desk.job(
        Words.of("lost.tidyJob"),
        false,
        p -> DiskReport.remove(folders),
        gone -> {
          withEmpty(List.of());
          desk.frame()
              .ask(
                  Words.of("lost.toldTidied", gone.size()),
                  Words.of("lost.putBack"),
                  () -> putBack(folders, gone));
        });
  }

  private void putBack(List<Path> folders, List<Path> gone) {
    desk.job(
        Words.of("lost.tidyJob"),
        false,
        p -> {
          DiskReport.putBack(gone);
          return 0;
        },
        n -> withEmpty(folders));
  }

  private void withEmpty(List<Path> folders) {
    DiskReport now = model.disk();
    model.settled(
        new DiskReport(
            now.unknown(),
            folders.stream().filter(Files::isDirectory).toList(),
            now.playlists(),
            now.troubles()));
  }

  private Sheet wishes(LostItem.Wishes wishes) {
    Snapshot snapshot = desk.state().get().snapshot();
    return new Sheet(
        wishes.name(),
        Words.of("lost.wishesWords"),
        List.of(
            named(
                "lost-export",
                Look.primary(Words.of("lost.export"), () -> export(wishes.tracks())))),
        wishes.tracks().stream()
            .map(
                id ->
                    new Decision(
                        snapshot.name(id),
                        snapshot.raw(id, Fields.PATH),
                        Words.of("lost.noWish"),
                        false,
                        () ->
                            desk.apply(
                                Wishes.takeBack(
                                    desk.state().get().snapshot(), RoaringBitmap.bitmapOf(id)))))
            .toList(),
        Optional.empty());
  }

  private void export(List<Integer> tracks) {
    PlaylistChooser.save(window.get(), Words.of("lost.wishes"))
        .ifPresent(
            file ->
                desk.job(
                    Words.of("lost.export"),
                    false,
                    p -> write(tracks, file),
                    n ->
                        desk.frame()
                            .tell(
                                Words.of("told.export", n, file.getFileName().toString()),
                                false,
                                0)));
  }

  /** Writes the wish list. */
  private int write(List<Integer> tracks, Path file) throws IOException {
    Playlists.form(file)
        .write(
            file,
            Playlists.of(desk.collection().state(), Words.of("lost.wishes"), tracks),
            PlaylistFile.Paths.absolute());
    return tracks.size();
  }
}
