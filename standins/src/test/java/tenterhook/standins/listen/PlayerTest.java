package tenterhook.standins.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledOnOs;
import org.junit.jupiter.api.condition.OS;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tenterhook.adapters.disk.FileCalls;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.listen.Player;
import tenterhook.adapters.listen.Status;
import tenterhook.adapters.listen.Status.Loop;
import tenterhook.adapters.listen.Status.State;
import tenterhook.adapters.sound.SoundFile;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.listen.SoundOutput;
import tenterhook.core.listen.SoundOutputs;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Encoder.AudioForm;
import tenterhook.standins.synth.Synth;

/** Every format is played through a silent device that counts what it is given. */
class PlayerTest {
  private static final double SECONDS = 6;
  private static final int FRAMES = (int) (SECONDS * Synth.RATE);

  @TempDir static Path folder;
  private static final Map<AudioForm, Path> FILES = new EnumMap<>(AudioForm.class);

  private final SilentOutputs device = new SilentOutputs(300);
  private final Player player = new Player(device, new SilentOutputs(300), "");

  /** A tone whose level says the moment: it rises evenly from nothing to nearly full scale. */
  @BeforeAll
  static void oneFileOfEachFormat() throws IOException {
    short[] samples = new short[2 * FRAMES];
    for (int i = 0; i < FRAMES; i++) {
      double value = 26_000.0 * i / FRAMES * Math.sin(2 * Math.PI * 1000 * i / Synth.RATE);
      samples[2 * i] = (short) value;
      samples[2 * i + 1] = (short) value;
    }
    for (AudioForm form : AudioForm.values()) {
      Path file = folder.resolve("tone." + form.ending());
      Encoder.writeFull(samples, file, form, 192);
      FILES.put(form, file);
    }
  }

  @AfterEach
  void close() {
    player.close();
  }

  private Status await(Predicate<Status> wanted) {
    long end = System.nanoTime() + 20_000_000_000L;
    while (!wanted.test(player.status())) {
      assertThat(System.nanoTime()).as("still " + player.status()).isLessThan(end);
      Thread.onSpinWait();
    }
    return player.status();
  }

  @ParameterizedTest
  @EnumSource(AudioForm.class)
  void everyFormatPlaysToItsEnd(AudioForm form) {
    player.load(FILES.get(form), 0, true);
    Status status = await(s -> s.state() == State.ENDED);
    assertThat(status.seconds()).isCloseTo(SECONDS, within(0.06));
    assertThat(device.taken()).isBetween(FRAMES - 2500L, FRAMES + 2500L);
    assertThat(status.trouble()).isEmpty();
    assertThat(status.silent()).isTrue();
    assertThat(device.loudest()).isBetween(0.7f, 0.9f);
  }

  @ParameterizedTest
  @EnumSource(AudioForm.class)
  void everyFormatIsSoughtInToTheFrame(AudioForm form) throws Unreadable {
    try (SoundFile sound = SoundFile.open(FILES.get(form), SoundOutput.RATE, 2)) {
      for (double second : new double[] {4.5, 1.25, 0, 5.5, 3.0}) {
        sound.seek(second);
        float[] block = new float[2 * 4410];
        int got = 0;
        float high = 0;
        while (got < 4410) {
          int some = sound.read(block, 4410 - got);
          assertThat(some).isPositive();
          for (int i = 0; i < 2 * some; i++) {
            high = Math.max(high, Math.abs(block[i]));
          }
          got += some;
        }
        double expected = 26_000 / 32_768.0 * (second + 0.1) / SECONDS;
        assertThat((double) high).as(form + " at " + second).isCloseTo(expected, within(0.03));
        assertThat(sound.position()).isEqualTo(Math.round(second * SoundOutput.RATE) + 4410);
      }
    }
  }

  @ParameterizedTest
  @EnumSource(AudioForm.class)
  void behindASeekComesWhatIsLeft(AudioForm form) {
    player.load(FILES.get(form), 4, true);
    Status status = await(s -> s.state() == State.ENDED);
    assertThat(status.seconds()).isCloseTo(SECONDS, within(0.06));
    assertThat(device.taken()).isBetween(2L * Synth.RATE - 2500, 2L * Synth.RATE + 2500);
  }

  @Test
  void pausingKeepsTheMoment() throws InterruptedException {
    Player slow = new Player(new SilentOutputs(1), new SilentOutputs(1), "");
    try (slow) {
      slow.load(FILES.get(AudioForm.FLAC), 2, true);
      while (slow.status().seconds() < 2.2) {
        Thread.sleep(5);
      }
      slow.toggle();
      while (slow.status().state() != State.PAUSED) {
        Thread.sleep(1);
      }
      double at = slow.status().seconds();
      Thread.sleep(60);
      assertThat(slow.status().seconds()).isEqualTo(at);
      assertThat(at).isGreaterThanOrEqualTo(2.2);
      slow.toggle();
      while (slow.status().seconds() < at + 0.1) {
        Thread.sleep(5);
      }
    }
  }

  @Test
  void aLoopIsRepeatedUntilItIsEnded() {
    player.load(FILES.get(AudioForm.MP3), 0, false);
    player.loop(Optional.of(new Loop(1, 1.5)));
    player.toggle();
    await(s -> device.taken() > 3L * Synth.RATE);
    assertThat(player.status().seconds()).isBetween(0.99, 1.51);
    player.loop(Optional.empty());
    await(s -> s.state() == State.ENDED);
    assertThatThrownBy(() -> new Loop(2, 1)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void theGainIsHeard() {
    player.gain(-12);
    player.load(FILES.get(AudioForm.WAV), 0, true);
    await(s -> s.state() == State.ENDED);
    assertThat(device.loudest()).isCloseTo(0.2f, within(0.02f));
  }

  @Test
  void lostAndBrokenFilesEndInWords() throws IOException {
    player.load(folder.resolve("not there.mp3"), 0, true);
    assertThat(await(s -> s.state() == State.TROUBLE).trouble()).contains("not there");
    Path text = Files.writeString(folder.resolve("text.mp3"), "no music here ".repeat(500));
    player.load(text, 0, true);
    await(s -> s.file().equals(Optional.of(text)) && s.state() == State.TROUBLE);
    assertThat(player.status().trouble()).contains("damaged");
    player.load(FILES.get(AudioForm.FLAC), 0, true);
    assertThat(await(s -> s.state() == State.ENDED).trouble()).isEmpty();
  }

  @ParameterizedTest
  @EnumSource(
      value = AudioForm.class,
      names = {"FLAC", "M4A"})
  void aFileThatIsCutOffEndsInAMessage(AudioForm form) throws IOException {
    byte[] whole = Files.readAllBytes(FILES.get(form));
    Path cut = folder.resolve("cut." + form.ending());
    Files.write(cut, Arrays.copyOf(whole, whole.length * 6 / 10));
    player.load(cut, 0, true);
    Status status = await(s -> s.state() == State.TROUBLE);
    assertThat(status.trouble()).containsAnyOf("damaged", "the rest is missing");
  }

  @Test
  void noiseInTheMiddleOfAFileDoesNotStopIt() throws IOException {
    byte[] bytes = Files.readAllBytes(FILES.get(AudioForm.MP3));
    for (int i = bytes.length / 2; i < bytes.length / 2 + 3000; i++) {
      bytes[i] = (byte) (i * 31);
    }
    Path hurt = Files.write(folder.resolve("hurt.mp3"), bytes);
    player.load(hurt, 0, true);
    await(s -> s.state() == State.TROUBLE || s.state() == State.ENDED);
    assertThat(device.taken()).isGreaterThan(FRAMES * 9L / 10);
  }

  @Test
  void aDeviceThatVanishesIsReplacedByTheStandIn() {
    SilentOutputs standIn = new SilentOutputs(300);
    SoundOutputs failing =
        new SoundOutputs() {
          @Override
          public List<String> names() {
            return List.of("headphones");
          }

          @Override
          public SoundOutput open(String name) throws SoundOutput.SoundLost {
            throw new SoundOutput.SoundLost("the sound device is gone", new IOException("gone"));
          }
        };
    try (Player other = new Player(failing, standIn, "headphones")) {
      other.load(FILES.get(AudioForm.OGG), 0, true);
      long end = System.nanoTime() + 20_000_000_000L;
      while (other.status().state() != State.ENDED) {
        assertThat(System.nanoTime()).isLessThan(end);
        Thread.onSpinWait();
      }
      assertThat(other.status().trouble()).isEqualTo("the sound device is gone");
      assertThat(other.status().silent()).isTrue();
      assertThat(standIn.taken()).isGreaterThan(FRAMES * 9L / 10);
    }
  }

  @Test
  void anotherDeviceGoesOnWhereItWas() {
    player.load(FILES.get(AudioForm.FLAC), 3, false);
    player.device("headphones");
    player.toggle();
    await(s -> s.state() == State.ENDED);
    assertThat(device.taken()).isBetween(3L * Synth.RATE - 100, 3L * Synth.RATE + 100);
  }

  /** Calls that look right before a rename or a move whether this program holds the file open. */
  private static final class NothingOpen extends FileCalls {
    private final Path file;
    private int looked;

    NothingOpen(Path file) {
      this.file = file;
    }

    @Override
    public <E extends Exception> void call(CallKind kind, Path path, Action<E> action)
        throws IOException, E {
      if (kind == CallKind.RENAME || kind == CallKind.LINK) {
        looked++;
        assertThat(openFiles()).doesNotContain(file);
      }
      super.call(kind, path, action);
    }

    private static List<Path> openFiles() throws IOException {
      List<Path> open = new ArrayList<>();
      try (Stream<Path> all = Files.list(Path.of("/proc/self/fd"))) {
        for (Path one : all.toList()) {
          if (Files.isSymbolicLink(one)) {
            open.add(Files.readSymbolicLink(one));
          }
        }
      }
      return open;
    }
  }

  @Test
  @EnabledOnOs(OS.LINUX)
  void aFileThatIsHeardIsNotHeldOpenWhileItIsWrittenOrMoved() throws Exception {
    Path heard = Files.copy(FILES.get(AudioForm.WAV), folder.resolve("heard.wav")).toRealPath();
    hear(heard);
  }

  private void hear(Path heard) throws Exception {
    SilentOutputs slow = new SilentOutputs(2);
    try (Player own = new Player(slow, slow, "")) {
      own.load(heard, 0, true);
      long end = System.nanoTime() + 20_000_000_000L;
      while (own.status().seconds() < 0.5) {
        assertThat(System.nanoTime()).isLessThan(end);
        Thread.sleep(1);
      }
      NothingOpen calls = new NothingOpen(heard);
      SafeFiles files = new SafeFiles(calls);
      String token = SafeFiles.token("player", 1, 1);
      assertThat(files.replace(heard, token, copy -> {}, f -> {}).open()).isEmpty();
      Path moved = heard.resolveSibling("moved.wav");
      assertThat(files.move(heard, moved, token).open()).isEmpty();
      assertThat(calls.looked).isEqualTo(2);
      while (own.status().state() != State.ENDED) {
        assertThat(own.status().trouble()).isEmpty();
        assertThat(System.nanoTime()).as(own.status().toString()).isLessThan(end);
        Thread.sleep(1);
      }
      assertThat(own.status().seconds()).isCloseTo(SECONDS, within(0.1));
    }
  }
}
