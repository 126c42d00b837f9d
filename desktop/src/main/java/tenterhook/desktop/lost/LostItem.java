package tenterhook.desktop.lost;

import java.nio.file.Path;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.FileAvailability;
import tenterhook.adapters.lost.DiskReport.OldList;
import tenterhook.desktop.theme.Words;

/** One row at the left of the station: something that is not where it should be. */
sealed interface LostItem {
  /** What it is. */
  String name();

  /** How much of it there is. */
  String second();

  /** A folder of the collection that is not there as a whole, with all its tracks. */
  record AwayRoot(FileAvailability.Away root, RoaringBitmap tracks) implements LostItem {
    @Override
    public String name() {
      return Words.of("lost.away", root.root());
    }

    @Override
    public String second() {
      return Words.of("lost.awayCount", root.tracks());
    }
  }

  /** The lost files of one folder. */
  record LostFolder(String name, RoaringBitmap tracks) implements LostItem {
    @Override
    public String second() {
      return Words.of("lost.count", tracks.getCardinality());
    }
  }

  /** Files that another program changed since they were read. */
  record ChangedFiles(RoaringBitmap tracks) implements LostItem {
    @Override
    public String name() {
      return Words.of("lost.changed");
    }

    @Override
    public String second() {
      return Words.of("lost.files", tracks.getCardinality());
    }
  }

  /** Music files that nobody brought in. */
  record Unknown(List<Path> files) implements LostItem {
    @Override
    public String name() {
      return Words.of("lost.unknown");
    }

    @Override
    public String second() {
      return Words.of("lost.files", files.size());
    }
  }

  /** Playlists that no longer fit. */
  record OldLists(List<OldList> lists) implements LostItem {
    @Override
    public String name() {
      return Words.of("lost.lists");
    }

    @Override
    public String second() {
      return Words.of("lost.listsCount", lists.size());
    }
  }

  /** Folders without any file. */
  record BareFolders(List<Path> folders) implements LostItem {
    @Override
    public String name() {
      return Words.of("lost.empty");
    }

    @Override
    public String second() {
      return Words.of("lost.emptyCount", folders.size());
    }
  }

  /** Lost tracks that the DJ gave up looking for, and wants again. */
  record WishList(List<Integer> tracks) implements LostItem {
    @Override
    public String name() {
      return Words.of("lost.wishes");
    }

    @Override
    public String second() {
      return Words.of("lost.wishesCount", tracks.size());
    }
  }
}
