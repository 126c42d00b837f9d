import com.google.googlejavaformat.java.Formatter;
import com.google.googlejavaformat.java.FormatterException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/**
 * Formats every Java source below a folder (--write), or fails when one is not formatted (--check).
 */
class Format {
  public static void main(String[] args) throws Exception {
    boolean write = args[0].equals("--write");
    Formatter formatter = new Formatter();
    long off =
        sources(Path.of(args[1])).parallelStream()
            .filter(f -> differs(f, formatter, write))
            .count();
    if (off > 0 && !write) {
      System.err.println(
          off + " files are not formatted; mvn verify -Dformat.mode=--write mends them");
      System.exit(1);
    }
  }

  /** Whether a file is not formatted; writes it as it should be where that is wanted. */
  private static boolean differs(Path file, Formatter formatter, boolean write) {
    try {
      String now = Files.readString(file);
      String meant = formatter.formatSourceAndFixImports(now);
      if (now.equals(meant)) {
        return false;
      }
      if (write) {
        Files.writeString(file, meant);
      } else {
        System.err.println("not formatted: " + file);
      }
      return true;
    } catch (IOException | FormatterException trouble) {
      throw new IllegalStateException(file + ": " + trouble.getMessage(), trouble);
    }
  }

  private static List<Path> sources(Path root) throws Exception {
    try (Stream<Path> all = Files.walk(root)) {
      return all.filter(p -> p.toString().endsWith(".java"))
          .filter(p -> !p.toString().contains("/target/"))
          .sorted()
          .toList();
    }
  }
}
