package tenterhook.standins.road;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.InstantSource;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jaudiotagger.audio.mp3.MP3File;
import org.jaudiotagger.tag.id3.AbstractID3v2Frame;
import org.jaudiotagger.tag.id3.ID3v11Tag;
import org.jaudiotagger.tag.id3.ID3v23Tag;
import org.jaudiotagger.tag.id3.ID3v24Frame;
import org.jaudiotagger.tag.id3.ID3v24Tag;
import org.jaudiotagger.tag.id3.framebody.FrameBodyPOPM;
import org.jaudiotagger.tag.id3.framebody.FrameBodyTXXX;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.collection.ScanReport;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.change.Outcome;
import tenterhook.core.edit.TrackEdits;
import tenterhook.core.field.Artwork;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.job.Progress;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.Listener;
import tenterhook.standins.OtherLibrary;
import tenterhook.standins.synth.Cover;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Recording;
import tenterhook.standins.synth.Synth;

/**
 * The one executor on real files of every format, checked by a reader that shares no code with it.
 */
class EveryFormatTest {
  private static final short[] SAMPLES = Synth.render(Recording.of(3, 150));

  @TempDir Path folder;

  /** Names that differ from format to format for the same value. */
  private static final Map<String, String> OTHER_NAMES =
      Map.of("year", "date", "tyer", "date", "tracknumber", "track", "description", "comment");

  static Stream<Encoder.AudioForm> written() {
    return Stream.of(Encoder.AudioForm.values());
  }

  private static Map<Field<?>, String> tags() {
    Map<Field<?>, String> tags = new LinkedHashMap<>();
    tags.put(Fields.TITLE, "Cold Lamps");
    tags.put(Fields.ARTIST, "Éloïse Tarn-Ø");
    tags.put(Fields.ALBUM, "夜の渡し船");
    tags.put(Fields.YEAR, "1987");
    tags.put(Fields.GENRE, "Synth Pop");
    tags.put(Fields.TRACK, "7");
    tags.put(Fields.COMMENT, "long fade /80S/SKA/");
    tags.put(Fields.BPM, "118");
    return tags;
  }

  private MusicCollection open() throws Exception {
    return MusicCollection.open(folder.resolve("collection"), InstantSource.system());
  }

  private Path file(Encoder.AudioForm form) throws Exception {
    Path file = folder.resolve("Music/song." + form.ending());
    Files.createDirectories(file.getParent());
    Encoder.write(SAMPLES, file, form, 128);
    return file;
  }

  private static RoaringBitmap all(MusicCollection collection) {
    return collection.state().snapshot().tracks();
  }

  private static Outcome set(MusicCollection collection, Map<Field<?>, String> values) {
    Snapshot now = collection.state().snapshot();
    return collection.apply(TrackEdits.set(now, now.tracks(), values), Progress.SILENT);
  }

  private static Map<String, String> plain(Map<String, String> tags) {
    Map<String, String> plain = new LinkedHashMap<>();
    tags.forEach((k, v) -> plain.put(OTHER_NAMES.getOrDefault(k, k), v));
    plain.remove("encoder");
    return plain;
  }

  private static Map<String, String> after(Map<String, String> before) {
    Map<String, String> after = new LinkedHashMap<>(before);
    after.put("album", "Harbour Lights");
    return after;
  }

  @ParameterizedTest
  @MethodSource("written")
  void oneFieldChangesAndNothingElse(Encoder.AudioForm form) throws Exception {
    Path file = file(form);
    TagFiles.write(file, tags(), s -> new byte[0]);
    Files.setLastModifiedTime(file, FileTime.fromMillis(1_500_000_000_000L));
    Map<String, String> before = plain(Listener.tags(file));
    String sound = Listener.sound(file);
    byte[] bytes = Files.readAllBytes(file);
    try (MusicCollection collection = open()) {
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      Outcome outcome = set(collection, Map.of(Fields.ALBUM, "Harbour Lights"));
      assertThat(outcome.refused()).isEmpty();
      assertThat(plain(Listener.tags(file))).isEqualTo(after(before));
      assertThat(Listener.sound(file)).isEqualTo(sound);
      assertThat(Files.getLastModifiedTime(file).toMillis()).isEqualTo(1_500_000_000_000L);
      Outcome undone = collection.undo(outcome.number(), Progress.SILENT);
      assertThat(plain(Listener.tags(file))).isEqualTo(before);
      assertThat(Files.readAllBytes(file)).isEqualTo(bytes);
      collection.undo(undone.number(), Progress.SILENT);
      assertThat(plain(Listener.tags(file))).isEqualTo(after(before));
      assertThat(Listener.sound(file)).isEqualTo(sound);
    }
  }

  @ParameterizedTest
  @MethodSource("written")
  void everyFieldIsHeldAndGivenBack(Encoder.AudioForm form) throws Exception {
    file(form);
    Map<Field<?>, String> all = new LinkedHashMap<>(tags());
    all.put(Fields.ALBUM_ARTIST, "The Gannet Sisters");
    all.put(Fields.COMPOSER, "Ines Corrow");
    all.put(Fields.TRACK_TOTAL, "12");
    all.put(Fields.DISC, "1");
    all.put(Fields.DISC_TOTAL, "2");
    all.put(Fields.KEY, "F#m");
    all.put(Fields.RATING, "4");
    all.put(Fields.GROUPING, "deck");
    all.put(Fields.LYRICS, "la la");
    try (MusicCollection collection = open()) {
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      Outcome outcome = set(collection, all);
      assertThat(outcome.refused()).isEmpty();
      int id = all(collection).first();
      Snapshot now = collection.state().snapshot();
      all.forEach((field, raw) -> assertThat(now.raw(id, field)).as(field.key()).isEqualTo(raw));
      assertThat(collection.undo(outcome.number(), Progress.SILENT).refused()).isEmpty();
      Snapshot back = collection.state().snapshot();
      all.keySet().forEach(f -> assertThat(back.raw(id, f)).as(f.key()).isEmpty());
    }
  }

  @ParameterizedTest
  @MethodSource("written")
  void theTotalIsSetWithoutTouchingTheNumber(Encoder.AudioForm form) throws Exception {
    Path file = file(form);
    TagFiles.write(file, tags(), s -> new byte[0]);
    try (MusicCollection collection = open()) {
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      assertThat(set(collection, Map.of(Fields.TRACK_TOTAL, "12")).refused()).isEmpty();
      assertThat(TagFiles.read(file).raw(Fields.TRACK)).isEqualTo("7");
      assertThat(TagFiles.read(file).raw(Fields.TRACK_TOTAL)).isEqualTo("12");
      assertThat(set(collection, Map.of(Fields.TRACK, "")).refused()).isEmpty();
      assertThat(TagFiles.read(file).raw(Fields.TRACK)).isEmpty();
      assertThat(TagFiles.read(file).raw(Fields.TRACK_TOTAL)).isEqualTo("12");
    }
  }

  @ParameterizedTest
  @MethodSource("written")
  void artworkComesBackByteForByte(Encoder.AudioForm form) throws Exception {
    Path file = file(form);
    byte[] first = Cover.draw(1, 300, "jpg");
    byte[] second = Cover.draw(2, 500, "png");
    byte[] bare = Files.readAllBytes(file);
    try (MusicCollection collection = open()) {
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      Artwork one = collection.covers().keep(first);
      Outcome given = set(collection, Map.of(Fields.ARTWORK, one.raw()));
      assertThat(given.refused()).isEmpty();
      Artwork two = collection.covers().keep(second);
      Outcome replaced = set(collection, Map.of(Fields.ARTWORK, two.raw()));
      assertThat(replaced.refused()).isEmpty();
      assertThat(TagFiles.picture(file)).get().isEqualTo(second);
      assertThat(collection.undo(replaced.number(), Progress.SILENT).refused()).isEmpty();
      assertThat(TagFiles.picture(file)).get().isEqualTo(first);
      Outcome removed = set(collection, Map.of(Fields.ARTWORK, ""));
      assertThat(removed.refused()).isEmpty();
      assertThat(TagFiles.picture(file)).isEmpty();
      collection.undo(removed.number(), Progress.SILENT);
      assertThat(TagFiles.picture(file)).get().isEqualTo(first);
      collection.undo(given.number(), Progress.SILENT);
      assertThat(Files.readAllBytes(file)).isEqualTo(bare);
    }
  }

  @ParameterizedTest
  @EnumSource(Encoder.AudioForm.class)
  void everyFormatIsListedWithItsData(Encoder.AudioForm form) throws Exception {
    Path file = file(form);
    try (MusicCollection collection = open()) {
      ScanReport report = collection.scan(folder.resolve("Music"), Progress.SILENT);
      assertThat(report.issues()).isEmpty();
      Snapshot now = collection.state().snapshot();
      double seconds = now.value(1, Fields.DURATION).orElseThrow();
      assertThat(seconds)
          .isCloseTo(Listener.seconds(file), org.assertj.core.data.Offset.offset(0.3));
      assertThat(now.raw(1, Fields.CODEC)).isNotEmpty();
      assertThat(now.value(1, Fields.SAMPLE_RATE).orElseThrow()).isGreaterThan(30_000L);
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {96, 128, 320})
  void aConstantBitRateIsSaidAsItIs(int kbps) throws Exception {
    Path file = folder.resolve("constant.mp3");
    Encoder.writeFull(SAMPLES, file, Encoder.AudioForm.MP3, kbps);
    assertThat(TagFiles.read(file).raw(Fields.BITRATE)).isEqualTo(String.valueOf(kbps));
  }

  @Test
  void theOldShortTagIsReadAndKeptInStep() throws Exception {
    Path file = file(Encoder.AudioForm.MP3);
    MP3File mp3 = (MP3File) OtherLibrary.read(file);
    ID3v11Tag tag = new ID3v11Tag();
    tag.setField(org.jaudiotagger.tag.FieldKey.TITLE, "Short");
    tag.setField(org.jaudiotagger.tag.FieldKey.ARTIST, "Varda Pell");
    tag.setField(org.jaudiotagger.tag.FieldKey.GENRE, "Ska");
    tag.setField(org.jaudiotagger.tag.FieldKey.TRACK, "7");
    mp3.setID3v1Tag(tag);
    mp3.commit();
    String sound = Listener.sound(file);
    try (MusicCollection collection = open()) {
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      assertThat(collection.state().snapshot().raw(1, Fields.TITLE)).isEqualTo("Short");
      Outcome outcome =
          set(collection, Map.of(Fields.TITLE, "A title longer than thirty characters"));
      assertThat(outcome.refused()).isEmpty();
      assertThat(Listener.tags(file))
          .containsEntry("title", "A title longer than thirty characters")
          .containsEntry("artist", "Varda Pell")
          .containsEntry("genre", "Ska")
          .containsEntry("track", "7");
      MP3File again = (MP3File) OtherLibrary.read(file);
      assertThat(again.getID3v1Tag().getFirst(org.jaudiotagger.tag.FieldKey.TITLE))
          .isEqualTo("A title longer than thirty cha");
      assertThat(Listener.sound(file)).isEqualTo(sound);
      collection.undo(outcome.number(), Progress.SILENT);
      assertThat(Listener.tags(file)).containsEntry("title", "Short");
    }
  }

  @Test
  void countersOfPlaysAreReadAndStayBesideARating() throws Exception {
    Path file = file(Encoder.AudioForm.MP3);
    MP3File mp3 = (MP3File) OtherLibrary.read(file);
    ID3v24Tag tag = new ID3v24Tag();
    ID3v24Frame frame = new ID3v24Frame("POPM");
    frame.setBody(new FrameBodyPOPM("desk@rink.invalid", 102, 7));
    tag.setFrame(frame);
    mp3.setID3v2Tag(tag);
    mp3.commit();
    try (MusicCollection collection = open()) {
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      assertThat(collection.state().snapshot().value(1, Fields.PLAYS)).contains(7);
      assertThat(set(collection, Map.of(Fields.RATING, "5")).refused()).isEmpty();
      assertThat(TagFiles.read(file).raw(Fields.COUNTED)).isEqualTo("7");
      assertThat(TagFiles.read(file).raw(Fields.RATING)).isEqualTo("5");
      MP3File again = (MP3File) OtherLibrary.read(file);
      FrameBodyPOPM body =
          (FrameBodyPOPM)
              ((AbstractID3v2Frame) again.getID3v2Tag().getFields("POPM").getFirst()).getBody();
      body.setCounter(9);
      again.commit();
      Files.setLastModifiedTime(file, FileTime.fromMillis(1_600_000_000_000L));
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      assertThat(collection.state().snapshot().value(1, Fields.PLAYS)).contains(9);
    }
  }

  @Test
  void framesThatNobodyKnowsStay() throws Exception {
    Path file = file(Encoder.AudioForm.MP3);
    MP3File mp3 = (MP3File) OtherLibrary.read(file);
    ID3v24Tag tag = new ID3v24Tag();
    ID3v24Frame frame = new ID3v24Frame("TXXX");
    frame.setBody(new FrameBodyTXXX((byte) 3, "RINK_NOTE", "keep me"));
    tag.setFrame(frame);
    mp3.setID3v2Tag(tag);
    mp3.commit();
    try (MusicCollection collection = open()) {
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      assertThat(set(collection, tags()).refused()).isEmpty();
    }
    assertThat(Listener.tags(file))
        .containsEntry("rink_note", "keep me")
        .containsEntry("title", "Cold Lamps");
  }

  @Test
  void theVersionOfATagStays() throws Exception {
    Path file = file(Encoder.AudioForm.MP3);
    MP3File mp3 = (MP3File) OtherLibrary.read(file);
    mp3.setID3v2Tag(new ID3v23Tag());
    mp3.commit();
    try (MusicCollection collection = open()) {
      collection.scan(folder.resolve("Music"), Progress.SILENT);
      assertThat(set(collection, tags()).refused()).isEmpty();
    }
    byte[] head = Files.readAllBytes(file);
    assertThat(List.of((char) head[0], (char) head[1], (char) head[2]))
        .containsExactly('I', 'D', '3');
    assertThat(head[3]).isEqualTo((byte) 3);
  }
}
