package tenterhook.bench.loss;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.core.job.Progress;

/**
 * Kills a program of its own right before or right after each of its file-system calls and
 * transactions, opens the collection again, and looks whether anything is lost, left behind, or
 * said otherwise than it is. Then everything is taken back.
 */
final class AimedKills {
  private static final int ACTS = 6;

  private final Path folder;
  private final long seed;

  AimedKills(Path folder, long seed) {
    this.folder = folder;
    this.seed = seed;
  }

  /**
   * Kills at many moments.
   *
   * @param kills how many
   * @param progress told of every kill
   * @return how many came in the middle of a change
   */
  int run(int kills, Progress progress) throws Exception {
    Collections small = Collections.make(folder.resolve("kills"), seed);
    Path template = folder.resolve("template");
    small.scanned(FileCalls.SYSTEM).close();
    Collections.copy(small.folder().resolve("collection"), template);
    int inTheMiddle = 0;
    int moments = 0;
    long acting = seed;
    int next = 0;
    for (int kill = 0; kill < kills; kill++) {
      if (next >= 2 * moments) {
        acting++;
        small.reset(template);
        moments = Integer.parseInt(program(small.folder(), acting, -1).strip());
        next = (int) (acting % 3); // every third moment of a run; another run has the others
      }
      small.reset(template);
      program(small.folder(), acting, next);
      inTheMiddle += check(small, acting, next) ? 1 : 0;
      next += 3;
      progress.at(kill + 1L, kills, acting + " at " + next);
    }
    return inTheMiddle;
  }

  private static boolean check(Collections small, long acting, int moment) {
    try (MusicCollection collection = small.open(FileCalls.SYSTEM)) {
      boolean middle = Files.exists(small.folder().resolve("acting"));
      LostMusic.unless(collection.confirmOpen() == 0, "a change is still open");
      small.everythingIsThere(collection);
      small.filesAgree(collection);
      small.takenBackToTheByte(collection);
      LostMusic.unless(
          collection.state().crates().all().isEmpty(), "crates are left after everything");
      return middle;
    } catch (Exception | Error broken) {
      throw new LostMusic("seed " + acting + ", killed at moment " + moment, broken);
    }
  }

  /** Runs the program to be killed; gives what it said. */
  private static String program(Path folder, long seed, int moment) throws Exception {
    Files.deleteIfExists(folder.resolve("acting"));
    Process process = begin(folder, seed, moment);
    try (BufferedReader said = process.inputReader()) {
      String line = said.readLine();
      LostMusic.unless(process.waitFor(120, TimeUnit.SECONDS), "the program does not end");
      LostMusic.unless(
          process.exitValue() == (moment < 0 ? 0 : KILLED) || line != null,
          "the program ended otherwise: " + Files.readString(folder.resolve("errors.txt")));
      return line == null ? "" : line;
    }
  }

  private static Process begin(Path folder, long seed, int moment) throws IOException {
    return new ProcessBuilder(
            Path.of(System.getProperty("java.home"), "bin", "java").toString(),
            "-XX:TieredStopAtLevel=1",
            "-Xshare:auto",
            "--enable-native-access=ALL-UNNAMED",
            "-cp",
            System.getProperty("java.class.path"),
            AimedKills.class.getName(),
            folder.toString(),
            String.valueOf(seed),
            String.valueOf(moment))
        .redirectError(folder.resolve("errors.txt").toFile())
        .start();
  }

  private static final int KILLED = 137;

  /** Stops the program at one moment, before a call or after it, as a power cut would. */
  private static final class Halting extends FileCalls {
    private final Path folder;
    private final int moment;
    private int calls;

    Halting(Path folder, int moment) {
      this.folder = folder;
      this.moment = moment;
    }

    @Override
    public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
        throws IOException, E {
      halt(2 * calls);
      super.call(kind, path, action);
      halt(2 * calls + 1);
      calls++;
    }

    private void halt(int now) throws IOException {
      if (now == moment) {
        Files.createFile(folder.resolve("acting"));
        Runtime.getRuntime().halt(KILLED);
      }
    }
  }

  /** The program: alters the collection in a folder by chance, and dies at a moment. */
  public static void main(String[] args) throws Exception {
    Path folder = Path.of(args[0]);
    Halting calls = new Halting(folder, Integer.parseInt(args[2]));
    try (MusicCollection collection =
        MusicCollection.open(
            folder.resolve("collection"), java.time.InstantSource.system(), calls)) {
      Chance chance = new Chance(Long.parseLong(args[1]));
      for (int act = 0; act < ACTS; act++) {
        chance.act(collection);
      }
    }
    System.out.println(calls.calls);
  }
}
