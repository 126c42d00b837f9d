package tenterhook.standins.tagfile;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.sound.SoundFile;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.core.change.Outcome;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Recording;
import tenterhook.standins.synth.Synth;

/**
 * An m4a file whose tables stand in front of the sound and have offsets of 64 bits, as long
 * recordings do. What sounds is what the tables point to: they follow when a tag moves the sound.
 */
class WideOffsetsTest {
  private static final List<String> CONTAINERS = List.of("moov", "trak", "mdia", "minf", "stbl");

  @TempDir Path folder;

  /** Turns a file round: tables first, offsets of 64 bits. */
  private static byte[] turned(byte[] plain) throws IOException {
    ByteArrayOutputStream front = new ByteArrayOutputStream();
    ByteArrayOutputStream rest = new ByteArrayOutputStream();
    byte[] moov = {};
    long mediaBefore = 0;
    int at = 0;
    for (int size; at < plain.length; at += size) {
      size = ByteBuffer.wrap(plain, at, 4).getInt();
      String type = new String(plain, at + 4, 4, StandardCharsets.ISO_8859_1);
      byte[] box = Arrays.copyOfRange(plain, at, at + size);
      if (type.equals("ftyp")) {
        front.write(box);
      } else if (type.equals("moov")) {
        moov = box;
      } else {
        if (type.equals("mdat")) {
          mediaBefore = at - rest.size();
        }
        rest.write(box);
      }
    }
    int grown = widened(moov, 0).length;
    long shift = front.size() + grown - mediaBefore;
    front.write(widened(moov, shift));
    front.write(rest.toByteArray());
    return front.toByteArray();
  }

  /** A box with every table of offsets widened and shifted. */
  private static byte[] widened(byte[] box, long shift) throws IOException {
    String type = new String(box, 4, 4, StandardCharsets.ISO_8859_1);
    ByteArrayOutputStream body = new ByteArrayOutputStream();
    String name = type;
    if (type.equals("stco")) {
      name = "co64";
      body.write(box, 8, 8);
      ByteBuffer offsets = ByteBuffer.wrap(box, 16, box.length - 16);
      while (offsets.hasRemaining()) {
        long offset = Integer.toUnsignedLong(offsets.getInt()) + shift;
        body.write(ByteBuffer.allocate(8).putLong(offset).array());
      }
    } else if (CONTAINERS.contains(type)) {
      int at = 8;
      for (int size; at < box.length; at += size) {
        size = ByteBuffer.wrap(box, at, 4).getInt();
        body.write(widened(Arrays.copyOfRange(box, at, at + size), shift));
      }
    } else {
      return box;
    }
    ByteBuffer head = ByteBuffer.allocate(8).putInt(8 + body.size());
    head.put(name.getBytes(StandardCharsets.ISO_8859_1));
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    all.write(head.array());
    all.write(body.toByteArray());
    return all.toByteArray();
  }

  private static double loudest(Path file) throws Unreadable {
    float[] block = new float[4096];
    double loudest = 0;
    try (SoundFile sound = SoundFile.open(file, 44_100, 1)) {
      for (int got = sound.read(block, 4096); got >= 0; got = sound.read(block, 4096)) {
        for (int i = 0; i < got; i++) {
          loudest = Math.max(loudest, Math.abs(block[i]));
        }
      }
    }
    return loudest;
  }

  @Test
  void aFileWithWideOffsetsInFrontNeverFallsSilent() throws Exception {
    Path music = Files.createDirectories(folder.resolve("Music"));
    Path plain = folder.resolve("plain.m4a");
    short[] samples = Arrays.copyOf(Synth.render(Recording.of(3, 120)), 88_200);
    Encoder.write(samples, plain, Encoder.AudioForm.M4A, 128);
    Path wide = Files.write(music.resolve("wide.m4a"), turned(Files.readAllBytes(plain)));
    assertThat(new String(Files.readAllBytes(wide), StandardCharsets.ISO_8859_1)).contains("co64");
    assertThat(loudest(wide)).isGreaterThan(0.05).isEqualTo(loudest(plain));
    assertThat(TagFiles.payload(wide)).as("the same samples").isEqualTo(TagFiles.payload(plain));
    byte[] before = Files.readAllBytes(wide);
    try (MusicCollection collection =
        MusicCollection.open(folder.resolve("collection"), InstantSource.system())) {
      collection.scan(music, Progress.SILENT);
      Outcome outcome =
          collection.apply(
              now ->
                  TrackEdits.set(
                      now.snapshot(),
                      now.snapshot().tracks(),
                      Map.of(Fields.LYRICS, "la ".repeat(4000))),
              Progress.SILENT);
      assertThat(outcome.refused()).isEmpty();
      assertThat(Files.size(wide)).isGreaterThan(before.length);
      assertThat(loudest(wide)).isEqualTo(loudest(plain));
      assertThat(TagFiles.payload(wide)).isEqualTo(TagFiles.payload(plain));
      assertThat(collection.undo(outcome.number(), Progress.SILENT).refused()).isEmpty();
      assertThat(wide).hasBinaryContent(before);
    }
  }
}
