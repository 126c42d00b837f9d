package tenterhook.standins.tagfile;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.ShortBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.javacv.FFmpegFrameGrabber;
import org.bytedeco.javacv.FFmpegFrameRecorder;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import tenterhook.adapters.tagfile.TagFiles;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.TagNames;
import tenterhook.standins.synth.Encoder;
import tenterhook.standins.synth.Encoder.AudioForm;
import tenterhook.standins.synth.Synth;

/**
 * The fields that came after the first catalogue, written by the program and read by FFmpeg; and
 * written by FFmpeg where it writes them as its standard says, else byte by byte, and read by the
 * program. FFmpeg gives some frames of ID3 and items of MP4 names of its own; ID3v2.3, which the
 * program writes, has no frame for the mood but one with a description.
 */
class IndependentTagsTest {
  private static final Map<String, String> FFMPEG_NAMES =
      Map.of("TLAN", "language", "TCMP", "compilation", "cpil", "compilation", "TMOO", "MOOD");
  private static final short[] SOUND = new short[Synth.RATE];

  @TempDir Path folder;

  private static Map<Field<?>, String> values() {
    Map<Field<?>, String> values = new LinkedHashMap<>();
    values.put(Fields.REMIXER, "Ottoline Fask & Éloïse Tarn-Ø");
    values.put(Fields.MIX_NAME, "Slipway Dub");
    values.put(Fields.MOOD, "霧 and calm");
    values.put(Fields.LANGUAGE, "eng");
    values.put(Fields.COMPILATION, "1");
    return values;
  }

  static Stream<AudioForm> written() {
    return Stream.of(AudioForm.values());
  }

  @ParameterizedTest
  @MethodSource("written")
  void whatTheProgramWritesIsReadByFfmpeg(AudioForm form) throws Exception {
    Path file = sound(form);
    TagFiles.write(file, values(), sha -> new byte[0]);
    Map<String, String> read = readByFfmpeg(file);
    values().forEach((f, v) -> assertThat(read).as(f.key()).containsEntry(name(form, f), v));
    values().forEach((f, v) -> assertThat(readByProgram(file, f)).as(f.key()).isEqualTo(v));
    Map<Field<?>, String> none = values();
    none.replaceAll((f, v) -> "");
    TagFiles.write(file, none, sha -> new byte[0]);
    values().keySet().forEach(f -> assertThat(readByProgram(file, f)).as(f.key()).isEmpty());
    assertThat(readByFfmpeg(file).keySet())
        .doesNotContainAnyElementsOf(values().keySet().stream().map(f -> name(form, f)).toList());
  }

  @ParameterizedTest
  @EnumSource
  void whatOthersWriteIsReadByTheProgram(AudioForm form) throws Exception {
    Path file =
        switch (form) {
          case FLAC, OGG, OPUS -> tagged(form);
          case MP3 -> inFront(sound(form));
          case WAV -> withChunk(sound(form), "id3 ", ByteOrder.LITTLE_ENDIAN);
          case AIFF -> withChunk(sound(form), "ID3 ", ByteOrder.BIG_ENDIAN);
          case M4A -> withItems(sound(AudioForm.M4A));
        };
    values().forEach((f, v) -> assertThat(readByProgram(file, f)).as(f.key()).isEqualTo(v));
  }

  private static String readByProgram(Path file, Field<?> field) {
    try {
      return TagFiles.read(file).raw(field);
    } catch (Exception unreadable) {
      throw new AssertionError(file + " cannot be read", unreadable);
    }
  }

  /** By names in capitals, since FFmpeg keeps some as they are spelled in the file. */
  private static Map<String, String> readByFfmpeg(Path file) throws IOException {
    Map<String, String> all = new LinkedHashMap<>();
    try (FFmpegFrameGrabber grabber = new FFmpegFrameGrabber(file.toFile())) {
      grabber.start();
      boolean ofStream = file.toString().matches(".*\\.(ogg|opus)");
      Map<String, String> read = ofStream ? grabber.getAudioMetadata() : grabber.getMetadata();
      read.forEach((k, v) -> all.put(k.toUpperCase(Locale.ROOT), v));
    }
    return all;
  }

  private static String name(AudioForm form, Field<?> field) {
    TagNames names = field.tags().orElseThrow();
    String name =
        switch (form) {
          case MP3, WAV, AIFF -> names.id3().getFirst();
          case FLAC, OGG, OPUS -> names.vorbis().getFirst();
          case M4A -> names.mp4().getFirst().replaceFirst("----:[^:]*:", "");
        };
    return FFMPEG_NAMES.getOrDefault(name, name).toUpperCase(Locale.ROOT);
  }

  private Path sound(AudioForm form) throws IOException {
    Path file = folder.resolve("sound." + form.ending());
    Encoder.write(SOUND, file, form, 96);
    return file;
  }

  /** A file that FFmpeg writes with its tags. */
  private Path tagged(AudioForm form) throws IOException {
    Path file = folder.resolve("foreign." + form.ending());
    int rate = form == AudioForm.OPUS ? 48_000 : 44_100;
    try (FFmpegFrameRecorder recorder = new FFmpegFrameRecorder(file.toFile(), 2)) {
      recorder.setFormat(form.ending());
      recorder.setAudioCodec(
          switch (form) {
            case FLAC -> avcodec.AV_CODEC_ID_FLAC;
            case OGG -> avcodec.AV_CODEC_ID_VORBIS;
            case OPUS -> avcodec.AV_CODEC_ID_OPUS;
            case MP3, WAV, AIFF, M4A ->
                throw new IllegalArgumentException(form + " is tagged by hand");
          });
      recorder.setSampleRate(rate);
      values().forEach((f, v) -> recorder.setMetadata(name(form, f), v));
      recorder.start();
      recorder.recordSamples(rate, 2, ShortBuffer.wrap(SOUND));
      recorder.stop();
    }
    return file;
  }

  /** A tag of ID3v2.4 (id3.org, 2000) in UTF-8; sizes below 128 are the same in seven bits. */
  private static byte[] id3() throws IOException {
    ByteArrayOutputStream frames = new ByteArrayOutputStream();
    for (Map.Entry<Field<?>, String> value : values().entrySet()) {
      byte[] text = value.getValue().getBytes(StandardCharsets.UTF_8);
      String frame = value.getKey().tags().orElseThrow().id3().getFirst();
      frames.write(frame.getBytes(StandardCharsets.US_ASCII));
      frames.write(new byte[] {0, 0, 0, (byte) (text.length + 1), 0, 0, 3});
      frames.write(text);
    }
    int size = frames.size();
    ByteArrayOutputStream tag = new ByteArrayOutputStream();
    tag.write(new byte[] {'I', 'D', '3', 4, 0, 0, 0, 0, (byte) (size >> 7), (byte) (size & 127)});
    frames.writeTo(tag);
    return tag.toByteArray();
  }

  private static Path inFront(Path mp3) throws IOException {
    byte[] sound = Files.readAllBytes(mp3);
    Files.write(mp3, id3());
    return Files.write(mp3, sound, StandardOpenOption.APPEND);
  }

  private static Path withChunk(Path file, String name, ByteOrder order) throws IOException {
    byte[] sound = Files.readAllBytes(file);
    byte[] tag = id3();
    int padded = tag.length + (tag.length & 1);
    ByteBuffer out = ByteBuffer.allocate(sound.length + 8 + padded).order(order);
    out.put(sound).put(name.getBytes(StandardCharsets.US_ASCII)).putInt(tag.length).put(tag);
    out.putInt(4, out.capacity() - 8);
    return Files.write(file, out.array());
  }

  /** An MP4 file with items written byte by byte (ISO 14496-12 boxes; {@code ----} items). */
  private static Path withItems(Path m4a) throws IOException {
    byte[] bytes = Files.readAllBytes(m4a);
    ByteArrayOutputStream items = new ByteArrayOutputStream();
    for (Map.Entry<Field<?>, String> value : values().entrySet()) {
      String name = value.getKey().tags().orElseThrow().mp4().getFirst();
      items.write(
          name.startsWith("----")
              ? ownItem(name.split(":")[1], name.split(":")[2], value.getValue())
              : box(name, box("data", new byte[] {0, 0, 0, 21, 0, 0, 0, 0, 1})));
    }
    byte[] handler = new byte[25];
    System.arraycopy("mdirappl".getBytes(StandardCharsets.US_ASCII), 0, handler, 8, 8);
    byte[] meta = box("meta", new byte[4], box("hdlr", handler), box("ilst", items.toByteArray()));
    byte[] udta = box("udta", meta);
    int moov = indexOf(bytes, "moov") - 4;
    ByteBuffer all = ByteBuffer.wrap(bytes);
    int size = all.getInt(moov);
    assertThat(moov + size).as("sound comes first, so its offsets stay").isEqualTo(bytes.length);
    List<byte[]> kept = new ArrayList<>();
    for (int at = moov + 8; at < bytes.length; at += all.getInt(at)) {
      String type = new String(bytes, at + 4, 4, StandardCharsets.ISO_8859_1);
      if (!type.equals("udta")) {
        kept.add(Arrays.copyOfRange(bytes, at, at + all.getInt(at)));
      }
    }
    kept.add(udta);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(bytes, 0, moov);
    out.write(box("moov", kept.toArray(byte[][]::new)));
    return Files.write(m4a, out.toByteArray());
  }

  private static byte[] ownItem(String mean, String name, String value) throws IOException {
    return box(
        "----",
        box("mean", new byte[4], mean.getBytes(StandardCharsets.UTF_8)),
        box("name", new byte[4], name.getBytes(StandardCharsets.UTF_8)),
        box("data", new byte[] {0, 0, 0, 1, 0, 0, 0, 0}, value.getBytes(StandardCharsets.UTF_8)));
  }

  private static byte[] box(String type, byte[]... parts) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    int size = 8 + Arrays.stream(parts).mapToInt(p -> p.length).sum();
    out.write(ByteBuffer.allocate(4).putInt(size).array());
    out.write(type.getBytes(StandardCharsets.ISO_8859_1));
    for (byte[] part : parts) {
      out.write(part);
    }
    return out.toByteArray();
  }

  private static int indexOf(byte[] bytes, String type) {
    return new String(bytes, StandardCharsets.ISO_8859_1).lastIndexOf(type);
  }
}
