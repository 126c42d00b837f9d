package tenterhook.bench.corpus;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.adapters.tagfile.MusicFiles;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.ape.ApeTag;
import tenterhook.adapters.tagfile.bytes.FileBytes;
import tenterhook.adapters.tagfile.id3.Id3v2Tag;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.adapters.tagfile.tag.TagEntry;
import tenterhook.adapters.tagfile.vorbis.VorbisComment;
import tenterhook.bench.corpus.CorpusFile.FilePart;
import tenterhook.bench.corpus.Id3Bytes.TagStyle;
import tenterhook.bench.corpus.Mp4Bytes.Layout;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.standins.synth.Encoder.AudioForm;

/** Entries of random bytes are kept, and a change that is taken back leaves no trace. */
class RandomTagsTest {
  private static final int CASES = 300;

  @TempDir Path folder;

  private static byte[] bytes(Random random, int most) {
    byte[] bytes = new byte[random.nextInt(most)];
    random.nextBytes(bytes);
    for (int i = 0; i < bytes.length; i++) {
      bytes[i] = random.nextInt(4) == 0 ? (byte) (random.nextBoolean() ? 0xFF : 0) : bytes[i];
    }
    return bytes;
  }

  private static String letters(Random random, int length) {
    StringBuilder word = new StringBuilder("X");
    while (word.length() < length) {
      word.append((char) ('A' + random.nextInt(26)));
    }
    return word.toString();
  }

  private static List<byte[]> bytesOf(Tag tag) {
    return tag.entries().stream().map(TagEntry::bytes).toList();
  }

  @ParameterizedTest
  @ValueSource(ints = {2, 3, 4})
  void framesOfAnyBytesAreParsedAndRendered(int version) throws Exception {
    for (int seed = 0; seed < CASES; seed++) {
      Random random = new Random(seed);
      TagStyle style = version == 2 ? TagStyle.PLAIN : TagStyle.values()[random.nextInt(3)];
      Id3Bytes id3 = new Id3Bytes(version, 0, style);
      List<byte[]> frames = new ArrayList<>();
      for (int i = random.nextInt(12); i > 0; i--) {
        String id = letters(random, version == 2 ? 3 : 4);
        frames.add(id3.frame(id, bytes(random, random.nextInt(10) == 0 ? 40_000 : 200)));
      }
      byte[] tag = id3.tag(TagBytes.joined(frames.toArray(byte[][]::new)));
      Id3v2Tag read = Id3v2Tag.parse(tag);
      assertThat(bytesOf(read)).as("seed %d", seed).containsExactlyElementsOf(frames);
      assertThat(read.render()).as("seed %d", seed).isEqualTo(tag);
      Tag changed = read.with(Fields.TITLE, List.of("Нов"));
      assertThat(changed.values(Fields.TITLE)).containsExactly("Нов");
      assertThat(changed.with(Fields.TITLE, List.of()).entries()).isEqualTo(read.entries());
    }
  }

  @Test
  void itemsOfAnyBytesAreParsedAndRendered() throws Exception {
    for (int seed = 0; seed < CASES; seed++) {
      Random random = new Random(seed);
      List<byte[]> items = new ArrayList<>();
      for (int i = random.nextInt(12); i > 0; i--) {
        items.add(ApeBytes.item(letters(random, 5), random.nextInt(8), bytes(random, 300)));
      }
      byte[] all = TagBytes.joined(items.toArray(byte[][]::new));
      byte[] tag = ApeBytes.tag(2000, items.size(), all, random.nextBoolean());
      ApeTag read = ApeTag.parse(tag);
      assertThat(bytesOf(read)).as("seed %d", seed).containsExactlyElementsOf(items);
      assertThat(read.render()).as("seed %d", seed).isEqualTo(tag);
      Tag changed = read.with(Fields.TITLE, List.of("Нов"));
      assertThat(changed.with(Fields.TITLE, List.of()).entries()).isEqualTo(read.entries());
    }
  }

  @Test
  void commentsOfAnyBytesAreParsedAndRendered() throws Exception {
    for (int seed = 0; seed < CASES; seed++) {
      Random random = new Random(seed);
      TagBytes lines = new TagBytes();
      for (int i = random.nextInt(12); i > 0; i--) {
        byte[] name = (letters(random, 5) + "=").getBytes(StandardCharsets.US_ASCII);
        byte[] value = bytes(random, 300);
        lines.foreign(random.nextInt(4) == 0 ? value : TagBytes.joined(name, value));
      }
      byte[] comment = VorbisBytes.comment("made by chance", lines.parts());
      VorbisComment read = VorbisComment.parse(comment, 0).comment();
      List<byte[]> kept = bytesOf(read);
      assertThat(kept.subList(1, kept.size()))
          .as("seed %d", seed)
          .containsExactlyElementsOf(lines.parts().stream().map(FilePart::bytes).toList());
      assertThat(read.render()).as("seed %d", seed).isEqualTo(comment);
      Tag changed = read.with(Fields.TITLE, List.of("Нов"));
      assertThat(changed.with(Fields.TITLE, List.of()).entries()).isEqualTo(read.entries());
    }
  }

  @Test
  void boxesAndChunksOfAnyBytesAreKept() throws Exception {
    Sounds sounds = new Sounds(2);
    byte[] plain = sounds.of(AudioForm.M4A);
    for (int seed = 0; seed < CASES / 10; seed++) {
      Random random = new Random(seed);
      List<byte[]> boxes = new ArrayList<>();
      List<byte[]> texts = new ArrayList<>();
      for (int i = 1 + random.nextInt(12); i > 0; i--) {
        boxes.add(Mp4Bytes.box(letters(random, 4), bytes(random, 300)));
        texts.add(ChunkBytes.WAV.chunk(letters(random, 4), bytes(random, 300)));
      }
      Layout layout = Layout.values()[random.nextInt(4)];
      byte[] items = TagBytes.joined(boxes.toArray(byte[][]::new));
      byte[] user = Mp4Bytes.userData(items, 0, true);
      kept("file.m4a", Mp4Bytes.file(plain, user, layout), boxes);
      byte[] list = ChunkBytes.WAV.list("INFO", TagBytes.joined(texts.toArray(byte[][]::new)));
      byte[] data = ChunkBytes.WAV.chunk("data", sounds.littleEnd());
      kept("file.wav", ChunkBytes.WAV.wav(ChunkBytes.WAV.format(), data, list), texts);
    }
  }

  /** Entries are read as they were written, and stay when another comes and goes. */
  private void kept(String name, byte[] bytes, List<byte[]> entries) throws Exception {
    Path file = Files.write(folder.resolve(name), bytes);
    String extension = name.substring(name.indexOf('.') + 1);
    List<List<TagEntry>> before = entries(file, extension);
    assertThat(before.getFirst().stream().map(TagEntry::bytes)).containsExactlyElementsOf(entries);
    TagFiles.write(file, Map.of(Fields.TITLE, "Нов"), sha -> new byte[0]);
    assertThat(TagFiles.read(file).raw(Fields.TITLE)).isEqualTo("Нов");
    TagFiles.write(file, Map.of(Fields.TITLE, ""), sha -> new byte[0]);
    assertThat(entries(file, extension).getFirst()).isEqualTo(before.getFirst());
  }

  private List<List<TagEntry>> entries(Path file, String extension) throws IOException {
    try (FileBytes in = FileBytes.open(file)) {
      return MusicFiles.read(in, extension).tags().stream().map(Tag::entries).toList();
    }
  }

  /** What is set to what it was is what it was, in the spelling that its entry has. */
  @Test
  void aChangeAndItsInverseLeaveTheEntriesAsTheyWere() throws Exception {
    Random random = new Random(3);
    for (CorpusFile shape : Corpus.of(3)) {
      for (Map.Entry<Field<?>, String> value : shape.expected().entrySet()) {
        boolean text = value.getKey().tags().isPresent() && random.nextInt(3) == 0;
        if (!text || !plain(shape, value.getKey())) {
          continue;
        }
        Path file = Files.write(folder.resolve("file." + shape.extension()), shape.bytes());
        List<List<TagEntry>> before = entries(file, shape.extension());
        String other = value.getValue().matches("\\d+") ? "8" : "Zed 8";
        TagFiles.write(file, Map.of(value.getKey(), other), sha -> new byte[0]);
        TagFiles.write(file, Map.of(value.getKey(), value.getValue()), sha -> new byte[0]);
        assertThat(entries(file, shape.extension()))
            .as(shape.fileName() + " " + value.getKey())
            .isEqualTo(before);
      }
    }
  }

  /**
   * Numbers that refer to a genre, counters, and dates in parts are spelled out when set; places
   * that differed are in step afterwards.
   */
  private static boolean plain(CorpusFile shape, Field<?> field) {
    return !shape.name().equals("ape between")
        && field != Fields.RATING
        && field != Fields.COMPILATION
        && field != Fields.YEAR
        && field != Fields.BPM
        && (field != Fields.GENRE || !shape.name().contains("genre"))
        && shape.parts().stream().filter(p -> p.fields().contains(field)).count() == 1;
  }
}
