import com.google.googlejavaformat.java.Formatter;
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
    int off = 0;
    for (Path file : sources(Path.of(args[1]))) {
      String now = Files.readString(file);
      String meant = formatter.formatSourceAndFixImports(now);
      if (now.equals(meant)) {
        continue;
      }
      off++;
      if (write) {
        Files.writeString(file, meant);
      } else {
        System.err.println("not formatted: " + file);
      }
    }
    if (off > 0 && !write) {
      System.err.println(
          off + " files are not formatted; mvn verify -Dformat.mode=--write mends them");
      System.exit(1);
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
