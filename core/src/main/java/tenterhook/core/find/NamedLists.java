package tenterhook.core.find;

import java.util.Optional;
import org.roaringbitmap.RoaringBitmap;

/** The tracks of crates and shelves by their names, for conditions that ask for them. */
public interface NamedLists {
  /** No crate and no shelf. */
  NamedLists NONE =
      new NamedLists() {
        @Override
        public Optional<RoaringBitmap> crate(String name) {
          return Optional.empty();
        }

        @Override
        public Optional<RoaringBitmap> shelf(String name) {
          return Optional.empty();
        }
      };

  /** The tracks of a crate, upper and lower case alike; empty when there is none of that name. */
  Optional<RoaringBitmap> crate(String name);

  /** The tracks of all crates of a shelf; empty when there is none of that name. */
  Optional<RoaringBitmap> shelf(String name);
}
