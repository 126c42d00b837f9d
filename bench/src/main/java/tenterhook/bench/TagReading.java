package tenterhook.bench;

import java.io.File;
import java.io.IOException;
import java.io.PrintStream;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import tenterhook.adapters.disk.FileExtensions;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.standins.demo.DemoMusic;

/**
 * Reads the tags of many files in a process of its own, beside one process of Python with mutagen,
 * where Debian's python3-mutagen is present, over the same files; and says how many bytes a change
 * writes into a file with padding. {@code java tenterhook.bench.TagReading [files]}
 */
public final class TagReading {
  private static final int FILES = 5_000;
  private static final int TRACKS = 120;
  private static final int ROUNDS = 3;
  private static final String SCRIPT =
      """
      import os, sys, time, mutagen
      count = 0
      for folder, _, names in os.walk(sys.argv[1]):
          for name in names:
              found = mutagen.File(os.path.join(folder, name))
              if found is not None:
                  count += len(dict(found.tags or {})) + int(found.info.length > 0)
      print(count, time.process_time())
      """;

  private TagReading() {}

  /** Prints the figures; called with {@code read} and a folder, it only reads. */
  public static void main(String[] args) throws Exception {
    PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
    if (args.length == 2 && args[0].equals("read")) {
      out.println(read(Path.of(args[1])));
      return;
    }
    int files = args.length > 0 ? Integer.parseInt(args[0]) : FILES;
    Path folder = Files.createTempDirectory("reading");
    try {
      Path music = Files.createDirectories(folder.resolve("music"));
      copies(music, files);
      compare(out, folder, music, files);
      padded(out, music);
    } finally {
      SafeFiles.removeTree(folder);
    }
  }

  private static void copies(Path music, int files) throws IOException {
    Path made = Files.createTempDirectory("made");
    DemoMusic.make(made, TRACKS, Progress.SILENT);
    List<Path> originals = new ArrayList<>();
    try (Stream<Path> all = Files.walk(made)) {
      all.filter(FileExtensions::isMusic).sorted().forEach(originals::add);
    }
    for (int i = 0; i < files; i++) {
      Path original = originals.get(i % originals.size());
      Path target =
          music.resolve(String.valueOf(i / 100)).resolve(i + " " + original.getFileName());
      Files.createDirectories(target.getParent());
      Files.copy(original, target);
    }
    SafeFiles.removeTree(made);
  }

  private static String read(Path folder) throws IOException {
    List<Path> files;
    try (Stream<Path> all = Files.walk(folder)) {
      files = all.filter(Files::isRegularFile).toList();
    }
    long count = files.parallelStream().mapToLong(TagReading::values).sum();
    double cpu =
        ((com.sun.management.OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean())
                .getProcessCpuTime()
            / 1e9;
    return String.format(Locale.ROOT, "%d %.3f", count, cpu);
  }

  private static long values(Path file) {
    try {
      return TagFiles.read(file).values().size();
    } catch (Unreadable damaged) {
      return 0;
    }
  }

  private static void compare(PrintStream out, Path folder, Path music, int files)
      throws IOException, InterruptedException {
    Path script = Files.writeString(folder.resolve("read.py"), SCRIPT);
    String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
    String path = System.getProperty("java.class.path");
    // a process that lives for seconds is served best by the quick compiler alone
    List<String> own =
        List.of(
            java,
            "-XX:+UseSerialGC",
            "-XX:TieredStopAtLevel=1",
            "-cp",
            path,
            TagReading.class.getName(),
            "read",
            music.toString());
    List<String> other = List.of("/usr/bin/python3", script.toString(), music.toString());
    boolean there = new File(other.getFirst()).canExecute();
    for (int round = 0; round < ROUNDS; round++) {
      double[] ours = run(own);
      double[] theirs = there ? run(other) : new double[] {Double.NaN, Double.NaN};
      out.printf(
          Locale.ROOT,
          "%d files, whole processes: own %.2f s (%.2f s of CPU), mutagen %.2f s (%.2f s of CPU);"
              + " %.1f times as fast, %.1f times by CPU%n",
          files,
          ours[0],
          ours[1],
          theirs[0],
          theirs[1],
          theirs[0] / ours[0],
          theirs[1] / ours[1]);
    }
  }

  /** How long a process takes, and its CPU as it says itself. */
  private static double[] run(List<String> command) throws IOException, InterruptedException {
    long start = System.nanoTime();
    Process process =
        new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    boolean done = process.waitFor() == 0;
    double seconds = (System.nanoTime() - start) / 1e9;
    String[] words = said.strip().split(" ");
    return done && words.length == 2
        ? new double[] {seconds, Double.parseDouble(words[1])}
        : new double[] {Double.NaN, Double.NaN};
  }

  /** A second change finds the padding that the first one left. */
  private static void padded(PrintStream out, Path music) throws IOException, Unreadable {
    List<Path> files;
    try (Stream<Path> all = Files.walk(music)) {
      files = all.filter(Files::isRegularFile).limit(400).toList();
    }
    Map<String, String> lines = new TreeMap<>();
    for (Path file : files) {
      TagFiles.write(file, Map.of(Fields.TITLE, "First"), sha -> new byte[0]);
      long written = TagFiles.write(file, Map.of(Fields.TITLE, "Second"), sha -> new byte[0]);
      String name = file.getFileName().toString();
      String line =
          String.format(
              Locale.ROOT, "%d bytes written into a file of %d", written, Files.size(file));
      lines.putIfAbsent(name.substring(name.lastIndexOf('.') + 1), line);
    }
    lines.forEach((form, line) -> out.println(form + ": " + line));
  }
}
