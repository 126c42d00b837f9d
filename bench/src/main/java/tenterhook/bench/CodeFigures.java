package tenterhook.bench;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.LineMap;
import com.sun.source.tree.MethodTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.SourcePositions;
import com.sun.source.util.TreePathScanner;
import com.sun.source.util.Trees;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;

/**
 * Prints how long files and methods are in each module, which top-level types share a name, and how
 * much of the code is tests. Argument: the project's folder, by default the current one. The length
 * of a method is the number of lines between the braces of its body.
 */
public final class CodeFigures {
  private static final int LONG = 30;

  private final Map<String, List<Path>> typeNames = new TreeMap<>();

  private CodeFigures() {}

  /**
   * The figures of one part of the sources.
   *
   * @param files lengths in lines
   * @param methods lengths in lines
   */
  private record Lengths(List<Integer> files, List<Integer> methods) {
    Lengths() {
      this(new ArrayList<>(), new ArrayList<>());
    }

    int lines() {
      return files.stream().mapToInt(i -> i).sum();
    }
  }

  /** Prints the figures. */
  public static void main(String[] args) throws IOException {
    Path root = Path.of(args.length > 0 ? args[0] : "").toAbsolutePath().normalize();
    new CodeFigures().print(root);
  }

  private void print(Path root) throws IOException {
    int code = 0;
    int tests = 0;
    System.out.println("module     files  p90  methods  p90  over 30");
    for (Path module : modules(root)) {
      Lengths main = lengths(module.resolve("src/main/java"), true);
      Lengths test = lengths(module.resolve("src/test/java"), false);
      code += main.lines();
      tests += test.lines();
      print(module, main);
    }
    System.out.printf(Locale.ROOT, "tests: %.1f %% of all lines%n", 100.0 * tests / (code + tests));
    printTwins(root);
  }

  private static void print(Path module, Lengths main) {
    long over = main.methods().stream().filter(l -> l > LONG).count();
    System.out.printf(
        Locale.ROOT,
        "%-10s %5d %4d %8d %4d   %.1f %%%n",
        module.getFileName(),
        main.files().size(),
        ninetieth(main.files()),
        main.methods().size(),
        ninetieth(main.methods()),
        100.0 * over / Math.max(1, main.methods().size()));
  }

  private void printTwins(Path root) {
    typeNames.forEach(
        (name, places) -> {
          if (places.size() > 1) {
            System.out.println(
                "twice: " + name + " " + places.stream().map(root::relativize).toList());
          }
        });
  }

  private static List<Path> modules(Path root) throws IOException {
    try (Stream<Path> all = Files.list(root)) {
      return all.filter(m -> Files.isDirectory(m.resolve("src"))).sorted().toList();
    }
  }

  private static int ninetieth(List<Integer> lengths) {
    List<Integer> sorted = lengths.stream().sorted().toList();
    return sorted.isEmpty() ? 0 : sorted.get((int) (0.9 * (sorted.size() - 1)));
  }

  private Lengths lengths(Path folder, boolean named) throws IOException {
    Lengths lengths = new Lengths();
    if (!Files.isDirectory(folder)) {
      return lengths;
    }
    List<Path> sources = sources(folder);
    JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    try (StandardJavaFileManager manager = compiler.getStandardFileManager(null, null, null)) {
      JavacTask task = task(compiler, manager, sources);
      SourcePositions positions = Trees.instance(task).getSourcePositions();
      for (CompilationUnitTree unit : task.parse()) {
        read(unit, positions, lengths, named);
      }
    }
    return lengths;
  }

  private static List<Path> sources(Path folder) throws IOException {

    try (Stream<Path> all = Files.walk(folder)) {
      return all.filter(CodeFigures::isSource).toList();
    }
  }

  private static JavacTask task(
      JavaCompiler compiler, StandardJavaFileManager manager, List<Path> sources) {
    return (JavacTask)
        compiler.getTask(
            null, manager, null, null, null, manager.getJavaFileObjectsFromPaths(sources));
  }

  private static boolean isSource(Path file) {
    String name = file.getFileName().toString();
    return name.endsWith(".java") && !name.equals("package-info.java");
  }

  private void read(
      CompilationUnitTree unit, SourcePositions positions, Lengths lengths, boolean named)
      throws IOException {
    LineMap lines = unit.getLineMap();
    Path file = Path.of(unit.getSourceFile().toUri());
    lengths.files().add(Files.readAllLines(file).size());
    new TreePathScanner<Void, Void>() {
      @Override
      public Void visitMethod(MethodTree method, Void nothing) {
        long from = positions.getStartPosition(unit, method);
        if (method.getBody() != null && from >= 0) {
          long open = positions.getStartPosition(unit, method.getBody());
          long close = positions.getEndPosition(unit, method);
          long between = lines.getLineNumber(close) - lines.getLineNumber(open) - 1;
          lengths.methods().add((int) Math.max(0, between));
        }
        return super.visitMethod(method, nothing);
      }

      @Override
      public Void visitClass(ClassTree type, Void nothing) {
        if (named && !type.getSimpleName().isEmpty()) {
          typeNames
              .computeIfAbsent(type.getSimpleName().toString(), n -> new ArrayList<>())
              .add(file);
        }
        return super.visitClass(type, nothing);
      }
    }.scan(unit, null);
  }
}
