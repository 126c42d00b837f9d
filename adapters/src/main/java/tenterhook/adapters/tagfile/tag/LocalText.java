package tenterhook.adapters.tagfile.tag;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import tenterhook.core.text.CodePages;

/**
 * Text whose encoding is not said: UTF-8 where it can be that, else Western letters, or those of
 * another script where they make words of it as the repair of broken letters finds them.
 */
public final class LocalText {
  private LocalText() {}

  /** The text that bytes stand for. */
  public static String decode(byte[] bytes) {
    return new String(bytes, charset(bytes));
  }

  /** The encoding that bytes are in. */
  public static Charset charset(byte[] bytes) {
    if (CodePages.decoded(bytes, StandardCharsets.UTF_8).isPresent()) {
      return StandardCharsets.UTF_8;
    }
    String western = new String(bytes, CodePages.WESTERN);
    return CodePages.otherScript(western).map(CodePages.Reread::charset).orElse(CodePages.WESTERN);
  }

  /** Whether bytes are plain ASCII, so that nothing is said of their encoding. */
  public static boolean ascii(byte[] bytes) {
    for (byte b : bytes) {
      if (b < 0) {
        return false;
      }
    }
    return true;
  }
}
