package tenterhook.bench.corpus;

import static tenterhook.bench.corpus.TagBytes.joined;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.bench.corpus.Id3Bytes.TagStyle;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.standins.synth.Encoder.AudioForm;

/** Files whose tags are of ID3, alone or with APE, around MPEG audio or in chunks. */
final class Id3Shapes {
  private static final byte[] IMAGE = image(7);
  private static final String HEX =
      " 00000A2F 00000B3C 00001D1E 0000F00D 0000A1B2 00003C4D 00001234 00005678";

  private final Sounds sounds;
  private final byte[] mp3;
  private final List<CorpusFile> shapes = new ArrayList<>();

  Id3Shapes(Sounds sounds) throws IOException {
    this.sounds = sounds;
    this.mp3 = sounds.of(AudioForm.MP3);
  }

  /** What begins as a picture does, and has the bytes in it that tags take care of. */
  static byte[] image(int seed) {
    byte[] bytes = new byte[120];
    new java.util.Random(seed).nextBytes(bytes);
    byte[] head = {(byte) 0xFF, (byte) 0xD8, (byte) 0xFF, (byte) 0xE0, 0, (byte) 0xFF, 0};
    System.arraycopy(head, 0, bytes, 0, head.length);
    return bytes;
  }

  static String described(byte[] image) {
    return ArtworkImages.describe(image).raw();
  }

  List<CorpusFile> all() {
    everyForm();
    dates();
    genres();
    numbers();
    ratings();
    comments();
    severalPlaces();
    oldTags();
    chunks();
    return shapes;
  }

  private static List<Integer> encodings(int version) {
    return version == 4 ? List.of(0, 1, 11, 2, 3) : List.of(0, 1, 11);
  }

  private static List<TagStyle> styles(int version) {
    return switch (version) {
      case 2 -> List.of(TagStyle.PLAIN, TagStyle.TIGHT, TagStyle.UNSYNC);
      case 3 -> List.of(TagStyle.PLAIN, TagStyle.TIGHT, TagStyle.UNSYNC, TagStyle.EXTENDED);
      default -> List.of(TagStyle.values());
    };
  }

  /** A tag with most fields, and entries that no field stands for. */
  private static TagBytes rich(Id3Bytes id3) {
    boolean latin = id3.encoding() == 0;
    String title = latin ? "Café Ünder" : "夜の渡し船 Пирс";
    TagBytes tag = new TagBytes();
    tag.foreign(id3.frame("UFID", joined(VorbisBytes.line("http://a.invalid\0"), IMAGE)));
    tag.holds(Fields.TITLE, title, id3.text("TIT2", title));
    tag.holds(Fields.ARTIST, "Tarn\0Øre", id3.text("TPE1", "Tarn", "Øre"));
    tag.holds(Fields.ALBUM, "Slipway", id3.text("TALB", "Slipway"));
    tag.holds(Fields.COMPOSER, "One\0Two\0Three", id3.text("TCOM", "One", "Two", "Three"));
    tag.holds(Fields.REMIXER, "Ferry", id3.text("TPE4", "Ferry"));
    tag.holds(Fields.MIX_NAME, "Dub", id3.text("TIT3", "Dub"));
    tag.holds(Fields.TRACK, "03", Fields.TRACK_TOTAL, "12", id3.plain("TRCK", "03/12"));
    tag.holds(Fields.BPM, "118.25", id3.plain("TBPM", "118.25"));
    tag.holds(Fields.KEY, "F#m", id3.plain("TKEY", "F#m"));
    tag.foreign(id3.frame("GEOB", joined(VorbisBytes.line("\0a/b\0f\0d\0"), IMAGE)));
    tag.holds(Fields.GENRE, "Ska\0Own words", id3.text("TCON", "Ska", "Own words"));
    tag.foreign(id3.described("RINK_NOTE", "keep me"));
    tag.holds(Fields.COMMENT, "long fade /SKA/", id3.spoken("COMM", "eng", "", "long fade /SKA/"));
    tag.holds(Fields.LYRICS, "la\nla", id3.spoken("USLT", "eng", "", "la\nla"));
    tag.holds(Fields.RATING, "4", id3.rating("a@b.invalid", 204, 0, 0, 0, 7));
    tag.holds(Fields.ARTWORK, described(IMAGE), id3.picture(3, "in front", IMAGE));
    tag.foreign(id3.picture(4, "behind", image(8)));
    tag.foreign(id3.frame("WOAR", VorbisBytes.line("http://b.invalid")));
    if (id3.version() > 2) {
      byte[] inside = id3.text("TIT2", "a chapter");
      byte[] chapter = joined(VorbisBytes.line("ch1\0"), new byte[16], inside);
      tag.foreign(id3.frame("CHAP", chapter));
      tag.foreign(id3.frame("PRIV", joined(VorbisBytes.line("o.invalid\0"), IMAGE)));
    }
    tag.expected().put(Fields.COUNTED, "7");
    return tag;
  }

  private void everyForm() {
    for (int version = 2; version <= 4; version++) {
      for (int encoding : encodings(version)) {
        for (TagStyle style : styles(version)) {
          Id3Bytes id3 = new Id3Bytes(version, encoding, style);
          TagBytes tag = rich(id3);
          String name = "v2." + version + " encoding " + encoding + " " + style;
          add(name.toLowerCase(java.util.Locale.ROOT), id3, tag);
        }
      }
    }
  }

  private void add(String name, Id3Bytes id3, TagBytes tag) {
    shapes.add(tag.shape(name, "mp3", joined(id3.tag(tag.joined()), mp3)));
  }

  private static Id3Bytes id3(int version) {
    return new Id3Bytes(version, 0, TagStyle.PLAIN);
  }

  private void dates() {
    Id3Bytes three = id3(3);
    Id3Bytes four = id3(4);
    one(
        "year 4 whole",
        four,
        Fields.YEAR,
        "1987-05-03T20:30",
        four.text("TDRC", "1987-05-03T20:30"));
    one("year 4 old frame", four, Fields.YEAR, "1987", four.text("TYER", "1987"));
    one("year 3 new frame", three, Fields.YEAR, "1987-05", three.text("TDRC", "1987-05"));
    one("year 2", id3(2), Fields.YEAR, "1987", id3(2).text("TYER", "1987"));
    TagBytes apart = new TagBytes();
    apart.holds(Fields.YEAR, "1987-05-03", three.text("TYER", "1987"));
    apart.holds(Fields.YEAR, "", three.text("TDAT", "0305"));
    add("year and day apart", three, apart);
    TagBytes both = new TagBytes();
    both.holds(Fields.YEAR, "1987-05-03", four.text("TDRC", "1987-05-03"));
    both.holds(Fields.YEAR, "", four.text("TYER", "1987"));
    add("year in both frames", four, both);
  }

  private void one(String name, Id3Bytes id3, Field<?> field, String raw, byte[] frame) {
    TagBytes tag = new TagBytes().holds(field, raw, frame);
    tag.foreign(id3.described("OTHER", "stays"));
    add(name, id3, tag);
  }

  private void genres() {
    Id3Bytes three = id3(3);
    Id3Bytes four = id3(4);
    one("genre number", three, Fields.GENRE, "Ska", three.text("TCON", "(21)"));
    one("genre numbers", three, Fields.GENRE, "Disco\0Reggae", three.text("TCON", "(4)(16)"));
    one("genre refined", three, Fields.GENRE, "Disco\0Italo", three.text("TCON", "(4)Italo"));
    one("genre bracket", three, Fields.GENRE, "(Odd) one", three.text("TCON", "((Odd) one"));
    one("genre remix", three, Fields.GENRE, "Remix", three.text("TCON", "(RX)"));
    one("genre unknown number", three, Fields.GENRE, "(250)", three.text("TCON", "(250)"));
    one("genre plain number", four, Fields.GENRE, "Ska\0Jungle", four.text("TCON", "21", "63"));
    one("genre of late", four, Fields.GENRE, "Dub", four.text("TCON", "156"));
  }

  private void numbers() {
    Id3Bytes four = id3(4);
    TagBytes first = new TagBytes();
    first.holds(Fields.TRACK, "7", Fields.TRACK_TOTAL, "", four.text("TRCK", "7"));
    add("track without total", four, first);
    TagBytes second = new TagBytes();
    second.holds(Fields.TRACK, "", Fields.TRACK_TOTAL, "12", four.text("TRCK", "0/12"));
    add("total without track", four, second);
    TagBytes disc = new TagBytes();
    disc.holds(Fields.DISC, "1", Fields.DISC_TOTAL, "2", four.text("TPOS", "1/2"));
    disc.holds(Fields.COMPILATION, "1", four.text("TCMP", "1"));
    disc.holds(Fields.MOOD, "calm", four.text("TMOO", "calm"));
    disc.holds(Fields.LANGUAGE, "eng\0deu", four.text("TLAN", "eng", "deu"));
    disc.holds(Fields.GROUPING, "deck", four.text("TIT1", "deck"));
    disc.holds(Fields.LABEL, "Pier", four.text("TPUB", "Pier"));
    disc.holds(Fields.ALBUM_ARTIST, "All", four.text("TPE2", "All"));
    add("disc and more", four, disc);
    one("mood 3", id3(3), Fields.MOOD, "calm", id3(3).described("Mood", "calm"));
    TagBytes twice = new TagBytes();
    twice.holds(Fields.ARTIST, "A\0B", four.text("TPE1", "A"));
    twice.holds(Fields.ARTIST, "", four.text("TPE1", "B"));
    add("artist in two frames", four, twice);
  }

  private void ratings() {
    int[] numbers = {255, 204, 196, 128, 64, 51, 1};
    String[] raw = {"5", "4", "4@196", "3@128", "2@64", "1", "1@1"};
    for (int i = 0; i < numbers.length; i++) {
      Id3Bytes id3 = id3(i % 2 == 0 ? 3 : 4);
      one("rating " + numbers[i], id3, Fields.RATING, raw[i], id3.rating("", numbers[i]));
    }
    TagBytes none = new TagBytes();
    none.holds(Fields.RATING, "", id3(3).rating("a", 0, 0, 0, 0, 9));
    none.expected().put(Fields.COUNTED, "9");
    add("counter without rating", id3(3), none);
  }

  private void comments() {
    Id3Bytes three = id3(3);
    TagBytes behind = new TagBytes();
    behind.foreign(three.spoken("COMM", "eng", "", HEX));
    behind.holds(Fields.COMMENT, "own", three.spoken("COMM", "swe", "", "own"));
    add("comment behind figures", three, behind);
    TagBytes named = new TagBytes();
    named.foreign(three.spoken("COMM", "eng", "gainNorm", HEX));
    named.foreign(three.spoken("COMM", "eng", "Db_Custom1", "somebody's"));
    named.holds(Fields.COMMENT, "own", three.spoken("COMM", "deu", "", "own"));
    add("comment behind named ones", three, named);
    TagBytes only = new TagBytes();
    only.foreign(three.spoken("COMM", "eng", "", "Encoded by Press 3.1"));
    add("comment of a program", three, only);
    TagBytes inWords = new TagBytes();
    inWords.holds(Fields.COMMENT, "own", three.spoken("COMM", "eng", "My notes", "own"));
    add("comment with a description", three, inWords);
    Id3Bytes wide = new Id3Bytes(3, 1, TagStyle.UNSYNC);
    TagBytes songs = new TagBytes();
    songs.holds(Fields.LYRICS, "ля ля", wide.spoken("USLT", "rus", "", "ля ля"));
    songs.foreign(wide.spoken("USLT", "eng", "in other words", "la la"));
    add("lyrics twice", wide, songs);
  }

  private void severalPlaces() {
    Id3Bytes four = id3(4);
    byte[] second = id3(3).tag(id3(3).text("TALB", "Second"));
    TagBytes two = new TagBytes();
    two.holds(Fields.TITLE, "First", four.text("TIT2", "First"));
    two.holds(Fields.ALBUM, "Second", id3(3).text("TALB", "Second"));
    shapes.add(
        two.shape("two tags", "mp3", joined(four.tag(four.text("TIT2", "First")), second, mp3)));
    Id3Bytes foot = new Id3Bytes(4, 3, TagStyle.FOOTER);
    TagBytes behind = new TagBytes().holds(Fields.TITLE, "Behind", foot.text("TIT2", "Behind"));
    shapes.add(behind.shape("tag behind", "mp3", joined(mp3, foot.tag(behind.joined()))));
    ape("ape alone", new TagBytes(), new byte[0], new byte[0], true, 2000);
    ape("ape without header", new TagBytes(), new byte[0], new byte[0], false, 2000);
    ape("ape 1", new TagBytes(), new byte[0], new byte[0], false, 1000);
    byte[] old = Id3Bytes.old("Old", "Old", "", "", "", 0, 255);
    TagBytes front = new TagBytes().holds(Fields.TITLE, "New", four.text("TIT2", "New"));
    ape("ape between", front, four.tag(front.joined()), old, true, 2000);
    TagBytes lyrics = new TagBytes().holds(Fields.TITLE, "Sung", four.text("TIT2", "Sung"));
    byte[] words = VorbisBytes.line("LYRICSBEGININD0000200LYR00005la la000031LYRICS200");
    byte[] old2 = Id3Bytes.old("Sung", "", "", "", "", 0, 255);
    shapes.add(lyrics.shape("lyrics3", "mp3", joined(four.tag(lyrics.joined()), mp3, words, old2)));
  }

  private void ape(
      String name, TagBytes first, byte[] front, byte[] behind, boolean header, int version) {
    TagBytes items = new TagBytes();
    items.holds(Fields.TITLE, "Cold Lamps", ApeBytes.item("Title", "Cold Lamps"));
    items.holds(Fields.ARTIST, "Tarn\0Øre", ApeBytes.item("ARTIST", "Tarn", "Øre"));
    items.holds(Fields.ALBUM, "Slipway", ApeBytes.item("album", "Slipway"));
    items.holds(Fields.YEAR, "1987", ApeBytes.item("Year", "1987"));
    items.holds(Fields.TRACK, "3", Fields.TRACK_TOTAL, "12", ApeBytes.item("Track", "3/12"));
    items.holds(Fields.GENRE, "Ska", ApeBytes.item("Genre", "Ska"));
    items.holds(Fields.COMMENT, "own", ApeBytes.item("Comment", "own"));
    items.foreign(ApeBytes.item("REPLAY_LEVEL", "-3.1 dB"));
    items.foreign(ApeBytes.item("Somewhere", 4, VorbisBytes.line("http://c.invalid")));
    byte[] cover = joined(VorbisBytes.line("c.jpg\0"), IMAGE);
    items.holds(Fields.ARTWORK, described(IMAGE), ApeBytes.item("Cover Art (Front)", 2, cover));
    byte[] tag = ApeBytes.tag(version, items.parts().size(), items.joined(), header);
    shapes.add(first.and(items).shape(name, "mp3", joined(front, mp3, tag, behind)));
  }

  private void oldTags() {
    byte[] tag = Id3Bytes.old("Cold Lamps", "Tarn", "Slipway", "1987", "own", 7, 21);
    TagBytes old = new TagBytes();
    List<Field<?>> fields =
        List.of(Fields.TITLE, Fields.ARTIST, Fields.ALBUM, Fields.YEAR, Fields.COMMENT);
    List<String> raw = List.of("Cold Lamps", "Tarn", "Slipway", "1987", "own");
    for (int i = 0; i < raw.size(); i++) {
      old.holds(fields.get(i), raw.get(i), VorbisBytes.line(raw.get(i)));
    }
    old.expected().put(Fields.TRACK, "7");
    old.expected().put(Fields.GENRE, "Ska");
    shapes.add(old.shape("old tag alone", "mp3", joined(mp3, tag)));
    Id3Bytes three = id3(3);
    String title = "A title of more than thirty letters";
    TagBytes both = new TagBytes().holds(Fields.TITLE, title, three.text("TIT2", title));
    both.expected().put(Fields.ALBUM, "Slipway");
    byte[] cut = Id3Bytes.old(title.substring(0, 30), "", "Slipway", "", "", 0, 255);
    shapes.add(both.shape("old tag cut", "mp3", joined(three.tag(both.joined()), mp3, cut)));
  }

  private void chunks() {
    for (int version = 2; version <= 4; version++) {
      for (int encoding : encodings(version)) {
        Id3Bytes id3 = new Id3Bytes(version, encoding, TagStyle.PLAIN);
        TagBytes tag = rich(id3);
        byte[] bytes = id3.tag(tag.joined());
        String name = " v2." + version + " encoding " + encoding;
        shapes.add(ChunkShapes.wav(sounds, tag, "wav" + name, bytes));
        shapes.add(ChunkShapes.aiff(sounds, tag, "aiff" + name, bytes));
      }
    }
  }
}
