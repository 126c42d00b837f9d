package tenterhook.adapters.measure;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.atomic.AtomicInteger;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.sound.SoundFile;
import tenterhook.adapters.state.CollectionState;
import tenterhook.adapters.tagfile.AudioPayload;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Outcome.Refusal;
import tenterhook.core.job.Progress;
import tenterhook.core.measure.MeasuredFields;
import tenterhook.core.measure.Measurement;
import tenterhook.core.measure.Measurer;

/**
 * Measures tracks on two threads that give way to all others. Each result is kept by itself, so a
 * stop loses at most the files under way, and the next run goes on where this one was. A sound that
 * was measured before, under another name or with other tags, is not measured again.
 */
public final class Measuring {
  private static final int THREADS = 2;
  private static final int BATCH = 24;
  private static final int BLOCK = 8192;

  /** Nobody has music of two days in one file; whoever claims so does not end. */
  private static final double LONGEST_SECONDS = 48 * 3600;

  private final MusicCollection collection;
  private final List<Refusal> failed = new ArrayList<>();
  private double soundSeconds;
  private int measured;
  private int known;

  private Measuring(MusicCollection collection) {
    this.collection = collection;
  }

  /**
   * What came of measuring.
   *
   * @param measured tracks that were listened to
   * @param known tracks whose sound had been measured before
   * @param failed what could not be measured, and why
   * @param soundSeconds how much sound was gone through
   * @param seconds how long that took
   * @param complete false when it was stopped
   */
  public record Report(
      int measured,
      int known,
      List<Refusal> failed,
      double soundSeconds,
      double seconds,
      boolean complete) {
    /** Copies. */
    public Report {
      failed = List.copyOf(failed);
    }
  }

  /** What was found of one track, or why not. */
  private record TrackMeasured(
      int id, String sound, Optional<Measurement> measurement, boolean old, String trouble) {}

  /**
   * Measures tracks. Lost ones and those that are measured already are passed by.
   *
   * @param collection whose tracks
   * @param ids which
   * @param progress told of every track, with the rate and what time is left; a stop keeps what was
   *     found
   */
  public static Report run(MusicCollection collection, RoaringBitmap ids, Progress progress) {
    return new Measuring(collection).run(ids, progress);
  }

  private Report run(RoaringBitmap ids, Progress progress) {
    long start = System.nanoTime();
    RoaringBitmap due = MeasuredFields.waiting(collection.state().snapshot());
    due.and(ids);
    BlockingQueue<TrackMeasured> results = new LinkedBlockingQueue<>();
    AtomicInteger next = new AtomicInteger();
    int[] order = due.toArray();
    List<TrackMeasured> batch = new ArrayList<>();
    int done = 0;
    try (ExecutorService pool = Executors.newFixedThreadPool(THREADS, Measuring::thread)) {
      for (int t = 0; t < THREADS; t++) {
        pool.submit(() -> work(order, next, results, progress));
      }
      for (int ended = 0; ended < THREADS; ) {
        TrackMeasured found = results.take();
        if (found.id() == 0) {
          ended++;
          continue;
        }
        take(found, batch);
        progress.at(++done, order.length, words(done, order.length, start));
        if (batch.size() >= BATCH) {
          keep(batch);
        }
      }
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
    }
    keep(batch);
    collection.note(MeasuredFields.ranked(collection.state().snapshot()));
    double seconds = (System.nanoTime() - start) / 1e9;
    return new Report(measured, known, failed, soundSeconds, seconds, done == order.length);
  }

  private static Thread thread(Runnable work) {
    Thread thread = new Thread(work, "measuring");
    thread.setDaemon(true);
    thread.setPriority(Thread.MIN_PRIORITY);
    return thread;
  }

  /** The rate and what is left, once there is something to go by. */
  private String words(int done, int all, long start) {
    double seconds = (System.nanoTime() - start) / 1e9;
    if (seconds < 1) {
      return "";
    }
    long left = Math.round(seconds / done * (all - done));
    String time = left >= 90 ? Math.round(left / 60.0) + " min left" : left + " s left";
    return String.format(Locale.ROOT, "%.0f a minute · %s", done * 60 / seconds, time);
  }

  /** Measures one file after the other until none is left; its last word has the id 0. */
  private void work(
      int[] order, AtomicInteger next, BlockingQueue<TrackMeasured> results, Progress progress) {
    try {
      for (int i = next.getAndIncrement();
          i < order.length && !progress.stopped();
          i = next.getAndIncrement()) {
        one(order[i], progress).ifPresent(results::add);
      }
    } finally {
      results.add(new TrackMeasured(0, "", Optional.empty(), false, ""));
    }
  }

  private Optional<TrackMeasured> one(int id, Progress progress) {
    CollectionState state = collection.state();
    Path file = state.path(id);
    try {
      String sound = AudioPayload.hash(file);
      Optional<Measurement> before = collection.measured().of(sound);
      if (before.isPresent()) {
        return Optional.of(new TrackMeasured(id, sound, before, true, ""));
      }
      return measure(file, progress::stopped)
          .map(m -> new TrackMeasured(id, sound, Optional.of(m), false, ""));
    } catch (Unreadable | IOException | RuntimeException | OutOfMemoryError trouble) {
      String said =
          trouble instanceof Unreadable ? trouble.getMessage() : "damaged: " + trouble.getMessage();
      return Optional.of(new TrackMeasured(id, "", Optional.empty(), false, said));
    }
  }

  /** Tells whether to go no further. */
  @FunctionalInterface
  public interface Stop {
    /** True once the result is no longer wanted. */
    boolean stopped();
  }

  /**
   * Measures one file.
   *
   * @param file a music file
   * @param stop asked between blocks
   * @return empty when it was stopped
   * @throws Unreadable when it is damaged, or nothing in it sounds
   */
  public static Optional<Measurement> measure(Path file, Stop stop) throws Unreadable {
    try (SoundFile sound = SoundFile.open(file)) {
      Measurer measurer = new Measurer(sound.rate(), sound.channels());
      float[] block = new float[BLOCK * sound.channels()];
      for (int got = sound.read(block); got >= 0; got = sound.read(block)) {
        measurer.add(block, got);
        if (stop.stopped()) {
          return Optional.empty();
        }
        if (sound.position() > LONGEST_SECONDS * sound.rate()) {
          throw new Unreadable("does not end");
        }
      }
      if (sound.position() == 0) {
        throw new Unreadable("damaged: nothing of it can be decoded");
      }
      Optional<String> damage = sound.damage();
      if (damage.isPresent()) {
        throw new Unreadable(damage.get());
      }
      return Optional.of(measurer.finish());
    }
  }

  private void take(TrackMeasured found, List<TrackMeasured> batch) {
    if (found.measurement().isEmpty()) {
      String path = collection.state().path(found.id()).toString();
      failed.add(new Refusal(found.id(), path, found.trouble()));
      return;
    }
    Measurement measurement = found.measurement().get();
    if (found.old()) {
      known++;
    } else {
      measured++;
      soundSeconds += measurement.seconds();
      collection.measured().put(found.sound(), measurement);
    }
    batch.add(found);
  }

  /** A track that is gone by now gets nothing. */
  private void keep(List<TrackMeasured> batch) {
    CollectionState state = collection.state();
    var scale = MeasuredFields.scale(state.snapshot());
    collection.note(
        batch.stream()
            .filter(f -> state.snapshot().has(f.id()))
            .flatMap(
                f ->
                    MeasuredFields.of(
                        state.snapshot(), f.id(), f.sound(), f.measurement().orElseThrow(), scale)
                        .stream())
            .toList());
    batch.clear();
  }
}
