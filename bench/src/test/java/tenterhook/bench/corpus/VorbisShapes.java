package tenterhook.bench.corpus;

import static tenterhook.bench.corpus.TagBytes.joined;
import static tenterhook.bench.corpus.VorbisBytes.line;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tenterhook.bench.corpus.Id3Bytes.TagStyle;
import tenterhook.core.field.Fields;
import tenterhook.standins.synth.Encoder.AudioForm;

/** FLAC and Ogg files with comments of every kind. */
final class VorbisShapes {
  private static final byte[] IMAGE = Id3Shapes.image(9);

  private final byte[] flac;
  private final byte[] vorbis;
  private final byte[] opus;
  private final List<CorpusFile> shapes = new ArrayList<>();

  VorbisShapes(Sounds sounds) throws IOException {
    this.flac = sounds.of(AudioForm.FLAC);
    this.vorbis = sounds.of(AudioForm.OGG);
    this.opus = sounds.of(AudioForm.OPUS);
  }

  List<CorpusFile> all() {
    kinds().forEach(this::everyContainer);
    pictures();
    flacOnly();
    oggOnly();
    return shapes;
  }

  private static Map<String, TagBytes> kinds() {
    Map<String, TagBytes> kinds = new LinkedHashMap<>();
    kinds.put("plain", plain());
    kinds.put("several", several());
    TagBytes pairs = new TagBytes();
    pairs.holds(Fields.TRACK, "3", Fields.TRACK_TOTAL, "12", line("TRACKNUMBER=3/12"));
    pairs.holds(Fields.DISC, "1", Fields.DISC_TOTAL, "2", line("DISCNUMBER=1/2"));
    kinds.put("pairs", pairs);
    TagBytes totals = new TagBytes();
    totals.holds(Fields.TRACK, "03", line("tracknumber=03"));
    totals.holds(Fields.TRACK_TOTAL, "12", line("TOTALTRACKS=12"));
    totals.holds(Fields.DISC, "1", line("DISCNUMBER=1"));
    totals.holds(Fields.DISC_TOTAL, "2", line("TOTALDISCS=2"));
    kinds.put("other totals", totals);
    TagBytes keys = new TagBytes();
    keys.holds(Fields.KEY, "Am", line("KEY=Am"));
    keys.holds(Fields.KEY, "", line("INITIALKEY=Am"));
    kinds.put("two keys", keys);
    TagBytes initial = new TagBytes();
    initial.holds(Fields.KEY, "Am", line("INITIALKEY=Am"));
    initial.holds(Fields.YEAR, "1987", line("YEAR=1987"));
    initial.holds(Fields.LABEL, "Pier", line("ORGANIZATION=Pier"));
    initial.holds(Fields.MIX_NAME, "Dub", line("SUBTITLE=Dub"));
    initial.holds(Fields.ALBUM_ARTIST, "All", line("ALBUM ARTIST=All"));
    kinds.put("other names", initial);
    TagBytes comments = new TagBytes();
    comments.foreign(line("COMMENT=Encoded with Press 3.1"));
    comments.holds(Fields.COMMENT, "own", line("comment=own"));
    comments.foreign(line("DESCRIPTION=of somebody else"));
    kinds.put("comments", comments);
    TagBytes twice = new TagBytes();
    twice.holds(Fields.COMMENT, "own", line("COMMENT=own"));
    twice.holds(Fields.TITLE, "Twice", line("TITLE=Twice"));
    twice.holds(Fields.COMMENT, "", line("COMMENT=own"));
    kinds.put("comment twice", twice);
    TagBytes described = new TagBytes();
    described.holds(Fields.COMMENT, "own", line("DESCRIPTION=own"));
    described.holds(Fields.RATING, "4", line("RATING=80"));
    kinds.put("description", described);
    kinds.put("none", new TagBytes());
    return kinds;
  }

  private static TagBytes plain() {
    TagBytes tag = new TagBytes();
    tag.foreign(line("no sign of equality"));
    tag.holds(Fields.TITLE, "夜の渡し船", line("TITLE=夜の渡し船"));
    tag.holds(Fields.ARTIST, "Tarn", line("Artist=Tarn"));
    tag.holds(Fields.ALBUM, "Slip=way", line("ALBUM=Slip=way"));
    tag.holds(Fields.YEAR, "1987-05-03", line("DATE=1987-05-03"));
    tag.holds(Fields.BPM, "118.25", line("BPM=118.25"));
    tag.holds(Fields.LYRICS, "la\nla", line("LYRICS=la\nla"));
    tag.holds(Fields.COMPILATION, "1", line("COMPILATION=1"));
    tag.foreign(line("RINK_NOTE=keep me"));
    tag.foreign(line("EMPTY="));
    return tag;
  }

  private static TagBytes several() {
    TagBytes tag = new TagBytes();
    tag.holds(Fields.ARTIST, "A\0B\0C", line("ARTIST=A"));
    tag.holds(Fields.GENRE, "Ska\0Dub", line("GENRE=Ska"));
    tag.holds(Fields.ARTIST, "", line("artist=B"));
    tag.foreign(line("OTHER=one"));
    tag.holds(Fields.GENRE, "", line("genre=Dub"));
    tag.holds(Fields.ARTIST, "", line("ARTIST=C"));
    tag.foreign(line("OTHER=two"));
    tag.holds(Fields.MOOD, "calm\0late", line("MOOD=calm"));
    tag.holds(Fields.MOOD, "", line("MOOD=late"));
    return tag;
  }

  private void everyContainer(String kind, TagBytes tag) {
    byte[] comment = VorbisBytes.comment("maker 1.0", tag.parts());
    byte[] padding = VorbisBytes.block(1, new byte[500]);
    byte[] block = VorbisBytes.block(4, comment);
    shapes.add(tag.shape("flac " + kind, "flac", VorbisBytes.flac(flac, block, padding)));
    shapes.add(tag.shape("vorbis " + kind, "ogg", vorbis(comment, 0)));
    shapes.add(tag.shape("vorbis padded " + kind, "ogg", vorbis(comment, 400)));
    shapes.add(tag.shape("opus " + kind, "opus", opus(comment, 0)));
    shapes.add(tag.shape("opus in ogg " + kind, "ogg", opus(comment, 300)));
    shapes.add(tag.shape("flac in ogg " + kind, "oga", flacInOgg(comment)));
  }

  private byte[] vorbis(byte[] comment, int padding) {
    byte[] packet = joined(line("\u0003vorbis"), comment, new byte[] {1}, new byte[padding]);
    return new OggBytes(vorbis, 3).with(packet, 4711);
  }

  private byte[] opus(byte[] comment, int padding) {
    return new OggBytes(opus, 2).with(joined(line("OpusTags"), comment, new byte[padding]), 4712);
  }

  /** One frame of FLAC is one packet, but where frames end is told by the sound alone: one page. */
  private byte[] flacInOgg(byte[] comment) {
    return OggFlacBytes.file(flac, comment);
  }

  private void pictures() {
    TagBytes inLine = new TagBytes();
    inLine.holds(Fields.TITLE, "Pictured", line("TITLE=Pictured"));
    inLine.foreign(VorbisBytes.pictureLine(4, Id3Shapes.image(3)));
    inLine.holds(Fields.ARTWORK, Id3Shapes.described(IMAGE), VorbisBytes.pictureLine(3, IMAGE));
    everyContainer("picture", inLine);
    TagBytes old = new TagBytes();
    String text = java.util.Base64.getEncoder().encodeToString(IMAGE);
    old.holds(Fields.ARTWORK, Id3Shapes.described(IMAGE), line("COVERART=" + text));
    everyContainer("old picture", old);
  }

  private void flacOnly() {
    TagBytes tag = new TagBytes().holds(Fields.TITLE, "Blocks", line("TITLE=Blocks"));
    byte[] comment = VorbisBytes.block(4, VorbisBytes.comment("", tag.parts()));
    byte[] own = VorbisBytes.block(2, line("ownXsome data"));
    byte[] seek = VorbisBytes.block(3, new byte[18]);
    byte[] back = VorbisBytes.block(6, VorbisBytes.picture(4, "behind", Id3Shapes.image(4)));
    byte[] front = VorbisBytes.block(6, VorbisBytes.picture(3, "Fähre", IMAGE));
    tag.foreign(own).foreign(seek).foreign(back);
    byte[] content = java.util.Arrays.copyOfRange(front, 4, front.length);
    tag.holds(Fields.ARTWORK, Id3Shapes.described(IMAGE), content);
    shapes.add(
        tag.shape("flac blocks", "flac", VorbisBytes.flac(flac, own, seek, comment, back, front)));
    Id3Bytes id3 = new Id3Bytes(3, 0, TagStyle.PLAIN);
    TagBytes both = new TagBytes().holds(Fields.TITLE, "Inside", line("TITLE=Inside"));
    byte[] inside = VorbisBytes.block(4, VorbisBytes.comment("", both.parts()));
    both.holds(Fields.TITLE, "", id3.text("TIT2", "Inside"));
    both.holds(Fields.ALBUM, "In front", id3.text("TALB", "In front"));
    byte[] frames = joined(id3.text("TIT2", "Inside"), id3.text("TALB", "In front"));
    shapes.add(
        both.shape(
            "flac behind id3", "flac", joined(id3.tag(frames), VorbisBytes.flac(flac, inside))));
    byte[] old = Id3Bytes.old("Inside", "", "In front", "", "", 0, 255);
    TagBytes last = new TagBytes().holds(Fields.TITLE, "Inside", line("TITLE=Inside"));
    last.expected().put(Fields.ALBUM, "In front");
    shapes.add(last.shape("flac before id3", "flac", joined(VorbisBytes.flac(flac, inside), old)));
    TagBytes none = new TagBytes();
    byte[] padding = VorbisBytes.block(1, new byte[60]);
    shapes.add(none.shape("flac without comments", "flac", VorbisBytes.flac(flac, padding)));
  }

  private void oggOnly() {
    TagBytes tag = new TagBytes().holds(Fields.TITLE, "First", line("TITLE=First"));
    byte[] comment = VorbisBytes.comment("maker", tag.parts());
    byte[] second =
        new OggBytes(vorbis, 3)
            .with(
                joined(
                    line("\u0003vorbis"), VorbisBytes.comment("maker", List.of()), new byte[] {1}),
                99);
    shapes.add(tag.shape("vorbis chained", "ogg", joined(vorbis(comment, 0), second)));
    byte[] beside = joined(OggBytes.foreignStart(5), vorbis(comment, 0));
    shapes.add(tag.shape("vorbis beside another", "ogg", beside));
    byte[] behind = line("\u0001kept");
    TagBytes kept = new TagBytes().holds(Fields.TITLE, "First", line("TITLE=First"));
    byte[] packet = joined(line("OpusTags"), comment, behind);
    kept.foreign(behind);
    shapes.add(kept.shape("opus with more", "opus", new OggBytes(opus, 2).with(packet, 8)));
    TagBytes long1 = new TagBytes();
    String words = "la ".repeat(40_000);
    long1.holds(Fields.LYRICS, words, line("LYRICS=" + words));
    long1.holds(Fields.TITLE, "Long", line("TITLE=Long"));
    everyContainer("of many pages", long1);
  }
}
