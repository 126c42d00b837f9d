package tenterhook.bench.corpus;

import static tenterhook.bench.corpus.Mp4Bytes.box;
import static tenterhook.bench.corpus.Mp4Bytes.data;
import static tenterhook.bench.corpus.Mp4Bytes.item;
import static tenterhook.bench.corpus.Mp4Bytes.own;
import static tenterhook.bench.corpus.Mp4Bytes.text;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tenterhook.bench.corpus.Mp4Bytes.Layout;
import tenterhook.core.field.Fields;
import tenterhook.standins.synth.Encoder.AudioForm;

/** MP4 files with items of every kind, and in every order of their parts. */
final class Mp4Shapes {
  private static final byte[] IMAGE = Id3Shapes.image(11);

  private final byte[] plain;
  private final List<CorpusFile> shapes = new ArrayList<>();

  Mp4Shapes(Sounds sounds) throws IOException {
    this.plain = sounds.of(AudioForm.M4A);
  }

  List<CorpusFile> all() {
    kinds().forEach(this::everyLayout);
    TagBytes tag = rich();
    byte[] bare = Mp4Bytes.userData(tag.joined(), 200, false);
    shapes.add(
        tag.shape("m4a meta without version", "m4a", Mp4Bytes.file(plain, bare, Layout.FRONT)));
    byte[] without = Mp4Bytes.userData(tag.joined(), 0, true);
    shapes.add(tag.shape("m4a in fragments", "m4a", Mp4Bytes.fragmented(plain, without)));
    TagBytes none = new TagBytes();
    byte[] other = box("udta", box("name", VorbisBytes.line("a name")), new byte[4]);
    none.foreign(box("name", VorbisBytes.line("a name")));
    shapes.add(none.shape("m4a other user data", "m4a", Mp4Bytes.file(plain, other, Layout.FRONT)));
    byte[] nothing = box("free", new byte[4]);
    TagBytes empty = new TagBytes();
    shapes.add(
        empty.shape("m4a no user data", "m4a", Mp4Bytes.file(plain, nothing, Layout.BEHIND)));
    return shapes;
  }

  private void everyLayout(String kind, TagBytes tag) {
    for (Layout layout : Layout.values()) {
      String name = "m4a " + kind + " " + layout.name().toLowerCase(Locale.ROOT).replace('_', ' ');
      int free = layout == Layout.FRONT_WIDE ? 0 : 100 * layout.ordinal();
      byte[] userData = Mp4Bytes.userData(tag.joined(), free, true);
      shapes.add(tag.shape(name, "m4a", Mp4Bytes.file(plain, userData, layout)));
    }
  }

  private static TagBytes rich() {
    TagBytes tag = new TagBytes();
    tag.holds(Fields.TITLE, "夜の渡し船", item("©nam", "夜の渡し船"));
    tag.holds(Fields.ARTIST, "Tarn", item("©ART", "Tarn"));
    tag.holds(Fields.ALBUM, "Slipway", item("©alb", "Slipway"));
    tag.holds(Fields.YEAR, "1987-05-03", item("©day", "1987-05-03"));
    tag.holds(Fields.COMMENT, "own", item("©cmt", "own"));
    byte[] track = {0, 0, 0, 3, 0, 12, 0, 0};
    tag.holds(Fields.TRACK, "3", Fields.TRACK_TOTAL, "12", box("trkn", data(0, track)));
    tag.holds(Fields.BPM, "118", box("tmpo", data(21, new byte[] {0, 118})));
    tag.holds(Fields.COMPILATION, "1", box("cpil", data(21, new byte[] {1})));
    tag.holds(Fields.KEY, "F#m", own("initialkey", text("F#m")));
    tag.foreign(own("smoothness", text(" 00000000 00000840 000001C8")));
    tag.foreign(box("pgap", data(21, new byte[] {0})));
    tag.holds(Fields.ARTWORK, Id3Shapes.described(IMAGE), box("covr", data(13, IMAGE)));
    tag.foreign(item("©too", "Press 3"));
    return tag;
  }

  private static Map<String, TagBytes> kinds() {
    Map<String, TagBytes> kinds = new LinkedHashMap<>();
    kinds.put("rich", rich());
    TagBytes several = new TagBytes();
    several.holds(Fields.ARTIST, "A\0B", item("©ART", "A", "B"));
    several.holds(Fields.GENRE, "Ska\0Dub", item("©gen", "Ska", "Dub"));
    several.holds(Fields.REMIXER, "C\0D", own("REMIXER", text("C"), text("D")));
    several.foreign(own("OTHER", text("x"), text("y")));
    several.foreign(own("BINARY", data(0, new byte[] {0, 1, (byte) 0xFF})));
    kinds.put("several", several);
    TagBytes repeated = new TagBytes();
    repeated.holds(Fields.ARTIST, "A\0B", item("©ART", "A"));
    repeated.foreign(item("©too", "Press 3"));
    repeated.holds(Fields.ARTIST, "", item("©ART", "B"));
    repeated.holds(Fields.COMPOSER, "Ö", wide("©wrt", "Ö"));
    repeated.holds(Fields.COMMENT, "own", item("©cmt", "own", "own"));
    kinds.put("repeated", repeated);
    TagBytes genre = new TagBytes();
    genre.holds(Fields.GENRE, "Ska", box("gnre", data(0, new byte[] {0, 22})));
    byte[] disc = box("disk", data(0, new byte[] {0, 0, 0, 1, 0, 0}));
    genre.holds(Fields.DISC, "1", Fields.DISC_TOTAL, "", disc);
    genre.holds(Fields.RATING, "4", item("rate", "80"));
    kinds.put("genre by number", genre);
    TagBytes both = new TagBytes();
    both.holds(Fields.GENRE, "", box("gnre", data(0, new byte[] {0, 22})));
    both.expected().put(Fields.GENRE, "Own words");
    both.holds(Fields.GENRE, "", item("©gen", "Own words"));
    byte[] covers = box("covr", data(14, Id3Shapes.image(2)), data(13, IMAGE));
    both.holds(Fields.ARTWORK, Id3Shapes.described(Id3Shapes.image(2)), covers);
    kinds.put("genre twice", both);
    return kinds;
  }

  private static byte[] wide(String type, String text) {
    return box(type, data(2, text.getBytes(StandardCharsets.UTF_16BE)));
  }
}
