package tenterhook.bench.corpus;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.bytedeco.ffmpeg.global.avutil;
import org.jaudiotagger.audio.AudioFile;
import org.jaudiotagger.tag.FieldKey;
import org.jaudiotagger.tag.Tag;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.tagfile.Reading;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.adapters.tagfile.Unreadable;
import tenterhook.bench.corpus.CorpusFile.FilePart;
import tenterhook.core.change.Outcome;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.Listener;
import tenterhook.standins.OtherLibrary;

/** Every file of the corpus is read right, and written field by field without harm to the rest. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CorpusTest {
  private static final Map<Field<?>, String> NEW_VALUES = newValues();

  private static final List<Field<?>> OTHERS = List.of(Fields.COMMENT, Fields.LYRICS);

  @TempDir static Path folder;
  private List<CorpusFile> corpus = List.of();

  private static Map<Field<?>, String> newValues() {
    Map<Field<?>, String> values = new LinkedHashMap<>();
    for (Field<?> field : Fields.inFile()) {
      field.tags().ifPresent(names -> values.put(field, "Нов " + field.key()));
    }
    values.put(Fields.ARTIST, "Один\0Two Ø");
    values.put(Fields.GENRE, "Dub\0(Own) words");
    values.put(Fields.YEAR, "1999-12-31");
    values.put(Fields.TRACK, "5");
    values.put(Fields.TRACK_TOTAL, "15");
    values.put(Fields.DISC, "3");
    values.put(Fields.DISC_TOTAL, "4");
    values.put(Fields.BPM, "97");
    values.put(Fields.RATING, "2");
    values.put(Fields.COMPILATION, "1");
    return values;
  }

  @BeforeAll
  void write() throws IOException {
    corpus = Corpus.of(5);
    avutil.av_log_set_level(avutil.AV_LOG_QUIET); // the pictures only begin as pictures do
  }

  private static Path file(CorpusFile shape) throws IOException {
    return Files.write(folder.resolve(shape.fileName()), shape.bytes());
  }

  private static Map<Field<?>, String> read(Path file) throws Unreadable {
    Map<Field<?>, String> values = new LinkedHashMap<>();
    Reading reading = TagFiles.read(file);
    Fields.inFile().forEach(f -> values.put(f, reading.raw(f)));
    values.put(Fields.COUNTED, reading.raw(Fields.COUNTED));
    values.put(Fields.OUT_OF_STEP, reading.raw(Fields.OUT_OF_STEP));
    values.values().removeIf(String::isEmpty);
    return values;
  }

  @Test
  void thereAreManyShapesOfEveryContainer() {
    assertThat(corpus).hasSizeGreaterThanOrEqualTo(150);
    assertThat(corpus.stream().map(CorpusFile::name)).doesNotHaveDuplicates();
    assertThat(corpus.stream().map(CorpusFile::extension))
        .contains("mp3", "flac", "ogg", "oga", "opus", "m4a", "wav", "aiff", "aifc");
  }

  @Test
  void everyValueIsReadRight() throws Exception {
    List<String> wrong = new ArrayList<>();
    for (CorpusFile shape : corpus) {
      try {
        Map<Field<?>, String> read = read(file(shape));
        read.remove(Fields.OUT_OF_STEP);
        if (!read.equals(shape.expected())) {
          wrong.add(shape.fileName() + "\n  is " + read + "\n  not " + shape.expected());
        }
      } catch (Unreadable refused) {
        wrong.add(shape.fileName() + ": " + refused.getMessage());
      }
    }
    assertThat(wrong).isEmpty();
  }

  @Test
  void everyFieldIsWrittenAndNothingElse() throws Exception {
    List<String> wrong = new ArrayList<>();
    for (CorpusFile shape : corpus) {
      for (Map.Entry<Field<?>, String> value : NEW_VALUES.entrySet()) {
        change(shape, value.getKey(), value.getValue(), wrong);
        if (shape.expected().containsKey(value.getKey())) {
          change(shape, value.getKey(), "", wrong);
        }
      }
    }
    assertThat(wrong).isEmpty();
  }

  private static void change(CorpusFile shape, Field<?> field, String value, List<String> wrong)
      throws IOException {
    Path file = file(shape);
    String what = shape.fileName() + " " + field.key() + "=" + value + ": ";
    try {
      String payload = TagFiles.payload(file);
      TagFiles.write(file, Map.of(field, value), sha -> new byte[0]);
      Map<Field<?>, String> wanted = new LinkedHashMap<>(shape.expected());
      wanted.put(field, value);
      wanted.values().removeIf(String::isEmpty);
      Map<Field<?>, String> read = read(file);
      if (String.valueOf(read.remove(Fields.OUT_OF_STEP)).contains(field.key() + "|")) {
        wrong.add(what + "not in every place");
      }
      boolean next = value.isEmpty() && OTHERS.contains(field);
      if (next && !read.getOrDefault(field, "").equals(shape.expected().get(field))) {
        read.remove(field); // another one, which was there already, is shown now
      }
      if (!read.equals(wanted)) {
        wrong.add(what + "\n  is " + read + "\n  not " + wanted);
      }
      if (!TagFiles.payload(file).equals(payload)) {
        wrong.add(what + "another sound");
      }
      byte[] all = Files.readAllBytes(file);
      byte[] held = shape.extension().startsWith("o") ? OggBytes.bodies(all) : all;
      String bytes = new String(held, StandardCharsets.ISO_8859_1);
      for (FilePart part : shape.parts()) {
        String there = new String(part.bytes(), StandardCharsets.ISO_8859_1);
        if (!part.fields().contains(field) && !bytes.contains(there)) {
          wrong.add(what + "lost an entry of " + part.fields() + ", " + there.length() + " bytes");
        }
      }
    } catch (Unreadable refused) {
      boolean number = shape.extension().equals("m4a") && field == Fields.BPM;
      if (!number) {
        wrong.add(what + refused.getMessage());
      }
    }
  }

  /**
   * FFmpeg and another library share no code with the program's reader, nor with each other. Of
   * each is asked what it could read before: FFmpeg derails at ID3v2.3 that is unsynchronised, and
   * takes an APE tag without ID3 for sound; the other library keeps the zero at the end of a text.
   */
  @Test
  void otherReadersSeeTheNewTitleAndHearTheOldSound() throws Exception {
    String title = "Нов title, longer than the one before it was";
    List<String> wrong = new ArrayList<>();
    int[] agreed = new int[3];
    for (CorpusFile shape : corpus) {
      Path file = file(shape);
      String old = shape.expected().getOrDefault(Fields.TITLE, "");
      boolean byFfmpeg = !old.isEmpty() && old.equals(Listener.tags(file).get("title"));
      boolean byOther = !old.isEmpty() && old.equals(byOther(file));
      String sound = Listener.sound(file);
      TagFiles.write(file, Map.of(Fields.TITLE, title), sha -> new byte[0]);
      if (byFfmpeg && !Listener.tags(file).getOrDefault("title", "").equals(title)) {
        wrong.add(shape.fileName() + ": FFmpeg reads " + Listener.tags(file));
      }
      if (byOther && !byOther(file).equals(title)) {
        wrong.add(shape.fileName() + ": the other library reads " + byOther(file));
      }
      if (!Listener.sound(file).equals(sound) && !shape.name().startsWith("ape")) {
        wrong.add(shape.fileName() + ": FFmpeg hears another sound");
      }
      agreed[0] += byFfmpeg ? 1 : 0;
      agreed[1] += byOther ? 1 : 0;
      agreed[2] += old.isEmpty() ? 0 : 1;
    }
    assertThat(wrong).isEmpty();
    assertThat(agreed[0]).as("FFmpeg, of %d", agreed[2]).isGreaterThan(agreed[2] * 3 / 4);
    assertThat(agreed[1]).as("the other, of %d", agreed[2]).isGreaterThan(agreed[2] / 2);
  }

  /** Empty for a file or a tag that it does not know. */
  private static String byOther(Path file) {
    try {
      AudioFile audio = OtherLibrary.read(file);
      Tag tag = audio.getTag();
      return tag == null ? "" : tag.getFirst(FieldKey.TITLE).replace("\0", "");
    } catch (Exception | Error unknown) {
      return "";
    }
  }

  @Test
  void whatIsTakenBackIsTheSameToTheByte() throws Exception {
    Path music = Files.createDirectories(folder.resolve("Music"));
    for (CorpusFile shape : corpus) {
      Files.write(music.resolve(shape.fileName()), shape.bytes());
    }
    try (MusicCollection collection =
        MusicCollection.open(folder.resolve("collection"), InstantSource.system())) {
      assertThat(collection.scan(music, Progress.SILENT).issues()).isEmpty();
      Snapshot now = collection.state().snapshot();
      assertThat(now.count()).isEqualTo(corpus.size());
      Map<Field<?>, String> values =
          Map.of(Fields.TITLE, "Нов", Fields.COMMENT, "own /SKA/", Fields.GENRE, "Ska");
      Outcome outcome =
          collection.apply(TrackEdits.set(now, now.tracks(), values), Progress.SILENT);
      assertThat(outcome.refused()).isEmpty();
      assertThat(collection.undo(outcome.number(), Progress.SILENT).refused()).isEmpty();
    }
    for (CorpusFile shape : corpus) {
      assertThat(music.resolve(shape.fileName())).hasBinaryContent(shape.bytes());
    }
  }
}
