package tenterhook.desktop.lost;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Supplier;
import javafx.stage.DirectoryChooser;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.Playlists;
import tenterhook.adapters.collection.RootRelocation;
import tenterhook.adapters.execution.EmptyFolders;
import tenterhook.adapters.lost.DiskReport;
import tenterhook.adapters.lost.DiskReport.OldList;
import tenterhook.adapters.lost.Replacing;
import tenterhook.adapters.playlist.PlaylistFile;
import tenterhook.core.change.Outcome;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.lost.Wishes;
import tenterhook.desktop.control.PlannedNights;
import tenterhook.desktop.control.PlaylistChooser;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** What is done about what is lost, away, unknown or wished for; each ends in a word to the DJ. */
final class LostActions {
  private final Workspace workspace;
  private final LostModel model;
  private final Supplier<RoaringBitmap> selection;
  private final Supplier<Window> window;

  /**
   * The actions.
   *
   * @param selection the tracks that are selected in the table
   * @param window that choosers of files belong to
   */
  LostActions(
      Workspace workspace,
      LostModel model,
      Supplier<RoaringBitmap> selection,
      Supplier<Window> window) {
    this.workspace = workspace;
    this.model = model;
    this.selection = selection;
    this.window = window;
  }

  /** Looks for lost files in another folder. */
  void lookElsewhere() {
    File chosen = new DirectoryChooser().showDialog(window.get());
    if (chosen != null) {
      model.look(List.of(chosen.toPath()));
    }
  }

  private RoaringBitmap chosen(LostItem.LostFolder folder) {
    RoaringBitmap ids = RoaringBitmap.and(selection.get(), folder.tracks());
    return ids.isEmpty() ? folder.tracks() : ids;
  }

  /** Puts the chosen tracks, or all of a folder, on the wish list. */
  void wish(LostItem.LostFolder folder) {
    RoaringBitmap ids = chosen(folder);
    workspace.command(
        Words.of("lost.wish"), ids.getCardinality(), now -> Wishes.add(now.snapshot(), ids));
  }

  /** Takes the chosen tracks, or all of a folder, out of the collection, once that is confirmed. */
  void remove(LostItem.LostFolder folder) {
    RoaringBitmap ids = chosen(folder);
    workspace
        .frame()
        .ask(
            PlannedNights.told(workspace, Words.of("ask.removeLost", ids.getCardinality()), ids),
            Words.of("do.remove", ids.getCardinality()),
            () ->
                workspace.command(
                    Words.of("do.remove", ids.getCardinality()),
                    ids.getCardinality(),
                    now -> TrackEdits.remove(now.snapshot(), ids)));
  }

  /** Puts a file in the place of the chosen lost one. */
  void replace() {
    RoaringBitmap ids = selection.get();
    if (ids.getCardinality() != 1) {
      workspace.frame().inform(Words.of("lost.chooseOne"), true, 0);
      return;
    }
    File file = new FileChooser().showOpenDialog(window.get());
    if (file != null) {
      replace(ids.first(), file.toPath());
    }
  }

  /** Puts a file in the place of a lost one. */
  void replace(int lost, Path file) {
    workspace.job(
        Words.of("lost.replaceJob"),
        false,
        p -> Replacing.one(workspace.collection(), lost, file),
        workspace::told);
  }

  /** Says where a root is now. */
  void elsewhere(LostItem.AwayRoot away) {
    File chosen = new DirectoryChooser().showDialog(window.get());
    if (chosen != null) {
      workspace.job(
          Words.of("lost.checkJob"),
          false,
          p -> {
            RootRelocation found =
                RootRelocation.of(
                    workspace.collection().state(), away.root().root(), chosen.toPath(), p);
            return found.certain()
                ? workspace.collection().apply(found.change(), p)
                : new Outcome(
                    0, Words.of("lost.notThatFolder", found.found()), 0, 0, found.others());
          },
          outcome -> {
            workspace.told(outcome);
            model.check();
          });
    }
  }

  /** Counts the files of a root that is away as lost, once that is confirmed. */
  void reallyGone(LostItem.AwayRoot away) {
    workspace
        .frame()
        .ask(
            Words.of("ask.reallyGone", away.root().root(), away.root().tracks()),
            Words.of("do.reallyGone", away.root().tracks()),
            () ->
                workspace.job(
                    Words.of("lost.checkJob"),
                    false,
                    p -> {
                      workspace.collection().disks().countAsLost(away.root().root());
                      return 0;
                    },
                    n -> model.check()));
  }

  /** Brings unknown files in. */
  void bring(List<Path> files) {
    workspace.job(
        Words.of("bring.job", files.size()),
        true,
        p -> workspace.collection().disks().bring(files, p),
        reports -> {
          DiskReport now = model.disk();
          model.settled(
              new DiskReport(List.of(), now.emptyFolders(), now.playlists(), now.troubles()));
          workspace
              .frame()
              .inform(
                  Words.of("lost.toldBrought", reports.stream().mapToInt(r -> r.added()).sum()),
                  false,
                  0);
        });
  }

  /** Writes a mended playlist beside the old one. */
  void mend(OldList list) {
    workspace.job(
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
          workspace
              .frame()
              .inform(Words.of("lost.toldMended", file.getFileName().toString()), false, 0);
        });
  }

  /** Removes empty folders; they can be put back. */
  void tidy(List<Path> folders) {
    workspace.job(
        Words.of("lost.tidyJob"),
        false,
        p -> EmptyFolders.remove(folders),
        gone -> {
          withEmpty(List.of());
          workspace
              .frame()
              .ask(
                  Words.of("lost.toldTidied", gone.size()),
                  Words.of("lost.putBack"),
                  () -> putBack(folders, gone));
        });
  }

  private void putBack(List<Path> folders, List<Path> gone) {
    workspace.job(
        Words.of("lost.tidyJob"),
        false,
        p -> {
          EmptyFolders.putBack(gone);
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

  /** Writes the wish list as a playlist. */
  void export(List<Integer> tracks) {
    PlaylistChooser.save(window.get(), Words.of("lost.wishes"))
        .ifPresent(
            file ->
                workspace.job(
                    Words.of("lost.export"),
                    false,
                    p -> write(tracks, file),
                    n ->
                        workspace
                            .frame()
                            .inform(
                                Words.of("told.export", n, file.getFileName().toString()),
                                false,
                                0)));
  }

  private int write(List<Integer> tracks, Path file) throws IOException {
    Playlists.form(file)
        .write(
            file,
            Playlists.of(workspace.collection().state(), Words.of("lost.wishes"), tracks),
            PlaylistFile.Paths.absolute());
    return tracks.size();
  }
}
