package tenterhook.bench.corpus;

import static tenterhook.bench.corpus.TagBytes.joined;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import tenterhook.bench.corpus.Id3Bytes.TagStyle;
import tenterhook.core.field.Fields;

/** WAV and AIFF files whose texts stand in chunks of their own, and foreign chunks around them. */
final class ChunkShapes {
  private static final ChunkBytes WAV = ChunkBytes.WAV;
  private static final ChunkBytes AIFF = ChunkBytes.AIFF;

  private final Sounds sounds;
  private final List<CorpusFile> shapes = new ArrayList<>();

  ChunkShapes(Sounds sounds) {
    this.sounds = sounds;
  }

  /** A WAV file with a tag behind its sound. */
  static CorpusFile wav(Sounds sounds, TagBytes tag, String name, byte[] id3) {
    byte[] data = WAV.chunk("data", sounds.littleEnd());
    return tag.shape(name, "wav", WAV.wav(WAV.format(), data, WAV.chunk("id3 ", id3)));
  }

  /** An AIFF file with a tag in front of its sound. */
  static CorpusFile aiff(Sounds sounds, TagBytes tag, String name, byte[] id3) {
    byte[] samples = sounds.bigEnd();
    byte[] common = AIFF.common(samples.length / 4, false);
    byte[] all = AIFF.aiff("AIFF", common, AIFF.chunk("ID3 ", id3), AIFF.sound(samples));
    return tag.shape(name, "aiff", all);
  }

  List<CorpusFile> all() {
    texts("info in ascii", StandardCharsets.US_ASCII, "Cold Lamps", "Tarn");
    texts("info in utf-8", StandardCharsets.UTF_8, "Lämpchen Ω", "Tårn");
    texts("info in western letters", Charset.forName("windows-1252"), "Café – “Été”", "Tårn");
    texts("info in cyrillic letters", Charset.forName("windows-1251"), "Холодные лампы", "Паром");
    texts("info in greek letters", Charset.forName("windows-1253"), "Κρύες λάμπες", "Λιμάνι");
    inFront();
    beside();
    large();
    foreign();
    aiffTexts("AIFF", "aiff");
    aiffTexts("AIFC", "aifc");
    return shapes;
  }

  private static TagBytes info(Charset charset, String title, String artist) {
    TagBytes tag = new TagBytes();
    tag.holds(Fields.TITLE, title, WAV.info("INAM", title.getBytes(charset)));
    tag.holds(Fields.ARTIST, artist, WAV.info("IART", artist.getBytes(charset)));
    tag.holds(Fields.ALBUM, "Slipway", WAV.info("IPRD", VorbisBytes.line("Slipway")));
    tag.holds(Fields.YEAR, "1987", WAV.info("ICRD", VorbisBytes.line("1987")));
    tag.holds(Fields.GENRE, "Ska", WAV.info("IGNR", VorbisBytes.line("Ska")));
    tag.holds(Fields.COMMENT, "own", WAV.info("ICMT", VorbisBytes.line("own")));
    tag.holds(
        Fields.TRACK, "3", Fields.TRACK_TOTAL, "12", WAV.info("ITRK", VorbisBytes.line("3/12")));
    tag.foreign(WAV.info("ISFT", VorbisBytes.line("Press 3")));
    return tag;
  }

  private void texts(String name, Charset charset, String title, String artist) {
    TagBytes tag = info(charset, title, artist);
    byte[] data = WAV.chunk("data", sounds.littleEnd());
    byte[] list = WAV.list("INFO", tag.joined());
    shapes.add(tag.shape(name, "wav", WAV.wav(WAV.format(), data, list)));
  }

  private void inFront() {
    TagBytes tag = info(StandardCharsets.UTF_8, "In Front", "Tarn");
    byte[] data = WAV.chunk("data", sounds.littleEnd());
    byte[] list = WAV.list("INFO", tag.joined());
    shapes.add(tag.shape("info in front", "wav", WAV.wav(WAV.format(), list, data)));
    byte[] junk = WAV.chunk("JUNK", new byte[500]);
    shapes.add(tag.shape("info before junk", "wav", WAV.wav(WAV.format(), list, junk, data)));
    TagBytes part = new TagBytes();
    part.holds(Fields.TRACK, "9", WAV.info("IPRT", VorbisBytes.line("9")));
    part.holds(Fields.LANGUAGE, "eng", WAV.info("ILNG", VorbisBytes.line("eng")));
    list = WAV.list("INFO", part.joined());
    shapes.add(part.shape("info with a part", "wav", WAV.wav(WAV.format(), data, list)));
  }

  private void beside() {
    Id3Bytes id3 = new Id3Bytes(3, 0, TagStyle.PLAIN);
    TagBytes frames = new TagBytes().holds(Fields.BPM, "118", id3.text("TBPM", "118"));
    frames.holds(Fields.TITLE, "Framed", id3.text("TIT2", "Framed"));
    byte[] tag = WAV.chunk("id3 ", id3.tag(frames.joined()));
    TagBytes info = info(StandardCharsets.UTF_8, "Framed", "Tarn");
    byte[] list = WAV.list("INFO", info.joined());
    byte[] data = WAV.chunk("data", sounds.littleEnd());
    shapes.add(
        frames.and(info).shape("info and id3", "wav", WAV.wav(WAV.format(), data, list, tag)));
  }

  private void large() {
    TagBytes info = info(StandardCharsets.UTF_8, "Large", "Tarn");
    byte[] list = WAV.list("INFO", info.joined());
    shapes.add(info.shape("rf64", "wav", WAV.large(sounds.littleEnd(), list)));
    TagBytes none = new TagBytes();
    shapes.add(none.shape("rf64 without a tag", "wav", WAV.large(sounds.littleEnd())));
  }

  private void foreign() {
    byte[] cue = WAV.chunk("cue ", joined(WAV.int32(1), new byte[24]));
    byte[] label = WAV.chunk("labl", joined(WAV.int32(1), VorbisBytes.line("Drop\0")));
    byte[] names = WAV.list("adtl", label);
    byte[] data = WAV.chunk("data", sounds.littleEnd());
    TagBytes tag = info(StandardCharsets.UTF_8, "Cues", "Tarn");
    byte[] list = WAV.list("INFO", tag.joined());
    tag.foreign(cue).foreign(names);
    shapes.add(tag.shape("cues", "wav", WAV.wav(WAV.format(), cue, data, names, list)));
    TagBytes bare = new TagBytes().foreign(cue).foreign(names);
    shapes.add(bare.shape("cues alone", "wav", WAV.wav(WAV.format(), cue, names, data)));
  }

  private void aiffTexts(String kind, String extension) {
    byte[] samples = sounds.bigEnd();
    TagBytes tag = new TagBytes();
    tag.holds(Fields.TITLE, "Cold Lamps", AIFF.chunk("NAME", VorbisBytes.line("Cold Lamps")));
    tag.holds(Fields.ARTIST, "Tarn", AIFF.chunk("AUTH", VorbisBytes.line("Tarn")));
    tag.holds(Fields.COMMENT, "own", AIFF.chunk("ANNO", VorbisBytes.line("own")));
    tag.foreign(AIFF.chunk("(c) ", VorbisBytes.line("1987 Pier")));
    tag.foreign(AIFF.chunk("MARK", new byte[] {0, 1, 0, 1, 0, 0, 1, 0, 4, 'D', 'r', 'o', 'p', 0}));
    tag.foreign(AIFF.chunk("COMT", new byte[] {0, 1, 0, 0, 0, 9, 0, 0, 0, 3, 'a', 'b', 'c', 0}));
    tag.foreign(AIFF.chunk("APPL", VorbisBytes.line("pdosown data")));
    byte[] version = AIFF.chunk("FVER", new byte[] {(byte) 0xA2, (byte) 0x80, 0x51, 0x40});
    byte[] head = kind.equals("AIFC") ? version : new byte[0];
    byte[] common = AIFF.common(samples.length / 4, kind.equals("AIFC"));
    byte[] all = AIFF.aiff(kind, head, common, tag.joined(), AIFF.sound(samples));
    shapes.add(tag.shape(extension + " with texts", extension, all));
    Id3Bytes id3 = new Id3Bytes(3, 0, TagStyle.PLAIN);
    TagBytes frames = new TagBytes().holds(Fields.BPM, "118", id3.text("TBPM", "118"));
    byte[] chunk = AIFF.chunk("ID3 ", id3.tag(frames.joined()));
    all = AIFF.aiff(kind, head, common, tag.joined(), AIFF.sound(samples), chunk);
    shapes.add(frames.and(tag).shape(extension + " with both", extension, all));
    all = AIFF.aiff(kind, head, common, AIFF.sound(samples));
    shapes.add(new TagBytes().shape(extension + " bare", extension, all));
  }
}
