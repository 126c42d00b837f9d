package tenterhook.adapters.tagfile.tag;

import java.util.Arrays;

/**
 * One entry of a tag, such as a frame, a comment or an item, with the bytes in which it stands in
 * the file. Two are equal when name and bytes are.
 *
 * @param name what its format calls it, such as {@code TPE1}
 * @param bytes all of it, as it stands in the file; not to be changed
 */
public record TagEntry(String name, byte[] bytes) {
  @Override
  public boolean equals(Object other) {
    return other instanceof TagEntry entry
        && name.equals(entry.name)
        && Arrays.equals(bytes, entry.bytes);
  }

  @Override
  public int hashCode() {
    return 31 * name.hashCode() + Arrays.hashCode(bytes);
  }

  @Override
  public String toString() {
    return name + " (" + bytes.length + " bytes)";
  }
}
