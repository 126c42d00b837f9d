package tenterhook.adapters.disk;

import java.util.Objects;

/**
 * Bytes that take the place of a part of a file.
 *
 * @param from where the part begins
 * @param to behind the part
 * @param bytes what stands there afterwards; shorter or longer as may be
 */
public record Splice(long from, long to, byte[] bytes) {
  /** Checks. */
  public Splice {
    Objects.requireNonNull(bytes);
    if (from < 0 || to < from) {
      throw new IllegalArgumentException("a part from " + from + " to " + to);
    }
  }

  /** By how much the file grows. */
  public long growth() {
    return bytes.length - (to - from);
  }
}
