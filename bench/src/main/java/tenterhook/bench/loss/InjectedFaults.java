package tenterhook.bench.loss;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.EnumMap;
import java.util.Map;
import java.util.Random;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.adapters.store.StoreBroken;
import tenterhook.core.change.Outcome;
import tenterhook.core.job.Progress;

/**
 * Lets file-system calls and transactions fail by chance, in every way that disks fail: an error
 * before, an error although it was done, a write that is cut short without a word, a slow one, a
 * disk that vanishes. After a few changes the disk is well again, and everything is looked at.
 */
final class InjectedFaults {
  private static final int ACTS = 8;
  private static final double SHARE = 0.12;

  /** How a call fails. */
  enum Fault {
    ERROR_BEFORE,
    ERROR_AFTER,
    SHORT_WRITE,
    SLOW,
    VANISH
  }

  private final Path folder;
  private final long seed;
  private final Map<Fault, Integer> injected = new EnumMap<>(Fault.class);

  InjectedFaults(Path folder, long seed) {
    this.folder = folder;
    this.seed = seed;
  }

  /**
   * Injects faults.
   *
   * @param faults how many at least
   * @param progress told of every round
   * @return how many of each kind
   */
  Map<Fault, Integer> run(int faults, Progress progress) throws Exception {
    Collections small = Collections.make(folder.resolve("faults"), seed);
    Path template = folder.resolve("template");
    small.scanned(FileCalls.SYSTEM).close();
    Collections.copy(small.folder().resolve("collection"), template);
    int done = 0;
    for (long round = seed; done < faults; round++) {
      small.reset(template);
      round(small, round);
      done = injected.values().stream().mapToInt(i -> i).sum();
      progress.at(done, faults, "round " + round);
    }
    return injected;
  }

  private void round(Collections small, long round) {
    Failing calls = new Failing(small.music(), new Random(round));
    try {
      try (MusicCollection collection = small.open(calls)) {
        calls.failing = true;
        Chance chance = new Chance(round);
        for (int act = 0; act < ACTS; act++) {
          act(collection, chance);
          calls.heal();
        }
        calls.failing = false;
      }
      wholeAgain(small);
    } catch (Exception | Error broken) {
      throw new LostMusic("round " + round, broken);
    }
  }

  private static void wholeAgain(Collections small) throws Exception {
    try (MusicCollection collection = small.open(FileCalls.SYSTEM)) {
      collection.scan(small.music(), Progress.SILENT);
      LostMusic.unless(collection.confirmOpen() == 0, "a change is still open");
      small.everythingIsThere(collection);
      small.filesAgree(collection);
      small.takenBackToTheByte(collection);
    }
  }

  private static void act(MusicCollection collection, Chance chance) throws Exception {
    Outcome outcome;
    try {
      outcome = chance.act(collection);
    } catch (StoreBroken said) {
      return; // the database could not take the change in: nothing was begun
    }
    LostMusic.unless(
        outcome.refused().stream().noneMatch(r -> r.reason().isBlank()),
        "refused without a reason: " + outcome);
  }

  private final class Failing extends FileCalls {
    private final Path music;
    private final Path unplugged;
    private final Random random;
    private boolean failing;

    Failing(Path music, Random random) {
      this.music = music;
      this.unplugged = music.resolveSibling("unplugged");
      this.random = random;
    }

    /** The disk comes back. */
    void heal() throws IOException {
      if (Files.exists(unplugged)) {
        Files.move(unplugged, music);
      }
    }

    @Override
    public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
        throws IOException, E {
      if (!failing || random.nextDouble() >= SHARE) {
        super.call(kind, path, action);
        return;
      }
      Fault fault = Fault.values()[random.nextInt(Fault.values().length)];
      if (fault == Fault.VANISH && (kind == CallKind.STORE || random.nextInt(4) > 0)) {
        fault = Fault.ERROR_BEFORE;
      }
      if (fault == Fault.SHORT_WRITE && kind != CallKind.COPY && kind != CallKind.WRITE) {
        fault = Fault.ERROR_AFTER;
      }
      injected.merge(fault, 1, Integer::sum);
      fail(fault, kind, path, action);
    }

    private <E extends Exception> void fail(Fault fault, CallKind kind, Path path, Action<E> action)
        throws IOException, E {
      switch (fault) {
        case ERROR_BEFORE -> throw new IOException("injected: nothing was done");
        case ERROR_AFTER -> {
          super.call(kind, path, action);
          throw new IOException("injected: it was done all the same");
        }
        case SHORT_WRITE -> {
          super.call(kind, path, action);
          cut(path);
        }
        case SLOW -> {
          slowly();
          super.call(kind, path, action);
        }
        case VANISH -> {
          if (Files.exists(music, LinkOption.NOFOLLOW_LINKS) && !Files.exists(unplugged)) {
            Files.move(music, unplugged);
          }
          throw new IOException("injected: the disk is gone");
        }
      }
    }

    private static void slowly() {
      try {
        Thread.sleep(1);
      } catch (InterruptedException stopped) {
        Thread.currentThread().interrupt();
      }
    }

    /** What was written is there in part, and nobody says so. */
    private static void cut(Path file) throws IOException {
      if (Files.isRegularFile(file)) {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
          channel.truncate(channel.size() / 2);
        }
      }
    }
  }
}
