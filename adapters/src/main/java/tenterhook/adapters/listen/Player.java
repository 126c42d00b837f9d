package tenterhook.adapters.listen;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.disk.FilesInUse;
import tenterhook.adapters.listen.Status.Loop;
import tenterhook.adapters.listen.Status.State;
import tenterhook.adapters.sound.SoundFile;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.listen.SoundOutput;
import tenterhook.core.listen.SoundOutput.SoundLost;
import tenterhook.core.listen.SoundOutputs;
import tenterhook.core.listen.Timeline;

/**
 * Plays one file at a time on a thread of its own. Every wish returns at once and is done within a
 * fiftieth of a second; {@link #status} tells what came of it. A file that is lost or broken ends
 * in words, never in an exception; a device that vanishes is replaced by the stand-in.
 */
public final class Player implements AutoCloseable {
  private static final int BLOCK = 1024;

  private final SoundOutputs outputs;
  private final SoundOutputs standIn;
  private final BlockingQueue<Runnable> wishes = new LinkedBlockingQueue<>();
  private final Timeline timeline = new Timeline();
  private final float[] block = new float[2 * BLOCK];
  private final Thread thread = new Thread(this::run, "player");
  private volatile Status status =
      new Status(State.EMPTY, Optional.empty(), 0, 0, Optional.empty(), "", false);
  private volatile double gainDb;
  private volatile boolean closed;
  private String device;
  private @Nullable SoundOutput output;
  private @Nullable SoundFile file;
  private volatile @Nullable Path path;
  private State state = State.EMPTY;
  private String trouble = "";
  private @Nullable Loop loop;

  /** A machine that stands still for a while is not a player that is stuck. */
  private static final int PATIENCE_SECONDS = 10;

  private final FilesInUse.Holder holder = new Holding();
  private double letGoAt = Double.NaN;

  /**
   * A player.
   *
   * @param outputs the machine's devices
   * @param standIn used when there are none, or the chosen one is lost
   * @param device the name of the device; any other means the usual one
   */
  public Player(SoundOutputs outputs, SoundOutputs standIn, String device) {
    this.outputs = outputs;
    this.standIn = standIn;
    this.device = device;
    thread.setDaemon(true);
    thread.setPriority(Thread.MAX_PRIORITY);
    thread.start();
    FilesInUse.enter(holder);
  }

  /** A file is closed while it is rewritten or moved, and heard on from where it was. */
  private final class Holding implements FilesInUse.Holder {
    @Override
    public void letGo(Path asked) {
      if (asked.equals(path)) {
        CompletableFuture<Boolean> done = new CompletableFuture<>();
        wishes.add(
            () -> {
              if (asked.equals(path) && file != null) {
                letGoAt = file.position() / (double) SoundOutput.RATE;
                closeFile();
              }
              done.complete(true);
            });
        try {
          done.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
        } catch (TimeoutException | ExecutionException stuck) {
          // a player that does not answer keeps the file open: then the disk says whether it may
          return;
        } catch (InterruptedException stopped) {
          Thread.currentThread().interrupt();
        }
      }
    }

    @Override
    public void takeUp(Path asked, Path now) {
      wishes.add(
          () -> {
            if (asked.equals(path) && !Double.isNaN(letGoAt)) {
              reopen(now);
            }
          });
    }
  }

  private void reopen(Path now) {
    path = now;
    double from = letGoAt;
    letGoAt = Double.NaN;
    try {
      file = SoundFile.open(now, SoundOutput.RATE, 2);
      file.seek(from);
    } catch (Unreadable unreadable) {
      fail(unreadable.getMessage());
    }
  }

  /** What it is doing now. */
  public Status status() {
    return status;
  }

  /**
   * Loads a file.
   *
   * @param other the file
   * @param fromSeconds where to begin
   * @param play whether it is heard at once
   */
  public void load(Path other, double fromSeconds, boolean play) {
    wishes.add(() -> open(other, fromSeconds, play));
  }

  /** Plays when it stands still, and the other way round; behind the end from the start. */
  public void toggle() {
    wishes.add(
        () -> {
          if (state == State.PLAYING) {
            pause();
          } else if (file != null) {
            if (state == State.ENDED) {
              jump(0);
            }
            state = State.PLAYING;
          }
        });
  }

  /** Stands still. */
  public void rest() {
    wishes.add(this::pause);
  }

  /** Goes to a moment. */
  public void seek(double seconds) {
    wishes.add(
        () -> {
          if (loop != null && (seconds < loop.fromSeconds() || seconds >= loop.toSeconds())) {
            loop = null;
          }
          jump(seconds);
        });
  }

  /** Goes forward, or back when negative, from what is heard. */
  public void skip(double seconds) {
    wishes.add(() -> jump(Math.max(0, status.seconds() + seconds)));
  }

  /** Repeats a stretch; nothing ends repeating. */
  public void loop(Optional<Loop> stretch) {
    wishes.add(
        () -> {
          loop = stretch.orElse(null);
          double now = now();
          if (loop != null && (now < loop.fromSeconds() || now >= loop.toSeconds())) {
            jump(loop.fromSeconds());
          } else {
            jump(now); // what was read beyond the loop's end is not to be heard
          }
        });
  }

  /** Makes all louder or softer, in dB. */
  public void gain(double db) {
    gainDb = db;
  }

  /** Sends the sound to another device from now on. */
  public void device(String name) {
    wishes.add(
        () -> {
          double now = now();
          device = name;
          closeOutput();
          if (file != null) {
            jump(now);
          }
        });
  }

  private void run() {
    while (!closed) {
      try {
        boolean busy = state == State.PLAYING && Double.isNaN(letGoAt);
        Runnable wish = busy ? wishes.poll() : wishes.take();
        if (wish != null) {
          wish.run();
        } else {
          step();
        }
      } catch (InterruptedException stopped) {
        closed = true;
      } catch (RuntimeException | Error broken) {
        fail("cannot be played: " + broken.getMessage());
      }
      tell();
    }
    closeFile();
    closeOutput();
  }

  private void tell() {
    status =
        new Status(
            state,
            Optional.ofNullable(path),
            now(),
            file == null ? 0 : file.claimedSeconds(),
            Optional.ofNullable(loop),
            trouble,
            output != null && output.silent());
  }

  private double now() {
    SoundOutput open = output;
    return timeline.at(open == null ? 0 : open.heard()) / (double) SoundOutput.RATE;
  }

  private void open(Path other, double fromSeconds, boolean play) {
    closeFile();
    if (output != null) {
      output.flush();
    }
    path = other;
    letGoAt = Double.NaN;
    loop = null;
    trouble = "";
    timeline.restart(0);
    try {
      file = SoundFile.open(other, SoundOutput.RATE, 2);
      state = play ? State.PLAYING : State.PAUSED;
      if (fromSeconds > 0) {
        jump(fromSeconds);
      }
    } catch (Unreadable unreadable) {
      fail(unreadable.getMessage());
    }
  }

  private void fail(@Nullable String words) {
    closeFile();
    state = State.TROUBLE;
    trouble = String.valueOf(words);
  }

  private void pause() {
    if (state == State.PLAYING) {
      double heard = now();
      state = State.PAUSED;
      jump(heard);
    }
  }

  /** Forgets what is on its way and goes on from a moment. */
  private void jump(double seconds) {
    SoundFile open = file;
    if (open == null) {
      return;
    }
    try {
      double last = open.claimedSeconds() > 0 ? open.claimedSeconds() : seconds;
      open.seek(Math.min(seconds, last));
      if (output != null) {
        output.flush();
      }
      timeline.restart(open.position());
      state = state == State.ENDED ? State.PAUSED : state;
    } catch (Unreadable unreadable) {
      fail(unreadable.getMessage());
    }
  }

  private void step() {
    SoundFile open = file;
    if (open == null) {
      state = State.EMPTY;
      return;
    }
    try {
      int wanted = untilLoopEnd(open);
      int got = wanted == 0 ? 0 : open.read(block, wanted);
      if (got < 0) {
        end(open);
      } else if (got > 0) {
        amplify(got);
        output().write(block, got);
        timeline.wrote(got);
      } else if (loop != null) {
        open.seek(loop.fromSeconds());
        timeline.jump(open.position());
      }
    } catch (Unreadable unreadable) {
      fail(unreadable.getMessage());
    } catch (SoundLost lost) {
      lost(lost, open);
    }
  }

  private void lost(SoundLost lost, SoundFile open) {
    trouble = lost.getMessage();
    closeOutput();
    output = standInOutput();
    timeline.restart(open.position());
  }

  private int untilLoopEnd(SoundFile open) {
    Loop stretch = loop;
    return stretch == null
        ? BLOCK
        : Math.clamp(
            Math.round(stretch.toSeconds() * SoundOutput.RATE) - open.position(), 0, BLOCK);
  }

  private void amplify(int frames) {
    float factor = (float) Math.pow(10, gainDb / 20);
    for (int i = 0; i < 2 * frames; i++) {
      block[i] *= factor;
    }
  }

  /** Waits for the last frames, unless something else is wished, and says what was wrong. */
  private void end(SoundFile open) {
    SoundOutput out = output;
    if (out != null && out.heard() < timeline.written() && wishes.isEmpty()) {
      java.util.concurrent.locks.LockSupport.parkNanos(2_000_000);
      return;
    }
    Optional<String> damage = open.damage();
    state = damage.isPresent() ? State.TROUBLE : State.ENDED;
    trouble = damage.orElse(trouble);
  }

  private SoundOutput output() throws SoundLost {
    SoundOutput open = output;
    if (open == null) {
      open = outputs.names().isEmpty() ? standInOutput() : outputs.open(device);
      output = open;
    }
    return open;
  }

  private SoundOutput standInOutput() {
    try {
      return standIn.open("");
    } catch (SoundLost impossible) {
      throw new IllegalStateException("the stand-in always opens", impossible);
    }
  }

  private void closeOutput() {
    if (output != null) {
      output.close();
      output = null;
    }
  }

  private void closeFile() {
    if (file != null) {
      file.close();
      file = null;
    }
  }

  @Override
  public void close() {
    FilesInUse.leave(holder);
    closed = true;
    wishes.add(() -> state = State.EMPTY);
    try {
      thread.join(2000);
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
    }
  }
}
