package tenterhook.adapters.tagfile.container;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.util.List;
import tenterhook.adapters.tagfile.bytes.ByteSpan;
import tenterhook.adapters.tagfile.bytes.FileBytes;

/** Sound that lies in stretches of a file. */
public final class SoundSpans {
  private static final int SAMPLE = 1 << 15;

  private SoundSpans() {}

  /** Takes all stretches in. */
  public static void digest(FileBytes in, List<ByteSpan> spans, MessageDigest digest)
      throws IOException {
    for (ByteSpan span : spans) {
      in.digest(span, digest);
    }
  }

  /** Takes in the lengths of stretches, their beginnings and their middles. */
  public static void sample(FileBytes in, List<ByteSpan> spans, MessageDigest digest)
      throws IOException {
    for (ByteSpan span : spans) {
      digest.update(Long.toString(span.length()).getBytes(StandardCharsets.US_ASCII));
      long middle = span.from() + span.length() / 2;
      in.digest(new ByteSpan(span.from(), Math.min(span.from() + SAMPLE, span.to())), digest);
      in.digest(new ByteSpan(middle, Math.min(middle + SAMPLE, span.to())), digest);
    }
  }

  /** Takes in all of a file that is in no stretch; they are in order. */
  public static void digestOutside(FileBytes in, List<ByteSpan> spans, MessageDigest digest)
      throws IOException {
    long at = 0;
    for (ByteSpan span : spans) {
      in.digest(new ByteSpan(at, Math.max(at, span.from())), digest);
      at = span.to();
    }
    in.digest(new ByteSpan(Math.min(at, in.length()), in.length()), digest);
  }
}
