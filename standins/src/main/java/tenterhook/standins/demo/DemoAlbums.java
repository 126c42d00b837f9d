package tenterhook.standins.demo;

import java.util.ArrayList;
import java.util.List;
import tenterhook.core.field.Fields;
import tenterhook.standins.synth.Encoder.AudioForm;
import tenterhook.standins.synth.Recording;

/**
 * Whole albums in folders of their own, each with what is typically wrong with one, and a folder of
 * values that look wrong and are right.
 */
final class DemoAlbums {
  /** A folder in which a picture of the cover lies. */
  static final String WITH_PICTURE = "Albums/Pewter Wren/1984 - Slipway";

  static final String TRAPS = "Rink/Odd ones";

  private static final int FIRST_SEED = 7000;

  private final List<DemoTrack> tracks = new ArrayList<>();

  private DemoAlbums() {}

  /** The albums and the traps; the same for every size of the demo. */
  static List<DemoTrack> tracks() {
    DemoAlbums albums = new DemoAlbums();
    albums.slipway();
    albums.sampler();
    albums.signalBox();
    albums.hugeCover();
    albums.traps();
    return albums.tracks;
  }

  private DemoTrack add(
      String folder, int place, String artist, String title, String album, int year) {
    int seed = FIRST_SEED + tracks.size();
    Recording recording = Recording.of(seed, 84 + seed % 60);
    AudioForm form = tracks.size() % 3 == 0 ? AudioForm.FLAC : AudioForm.MP3;
    String path = String.format("%s/%02d %s.%s", folder, place, title, form.ending());
    DemoTrack track = new DemoTrack(recording, path, form, 192);
    track.tagForm = form == AudioForm.MP3 ? "2.4" : "";
    track.tags.put(Fields.ARTIST, artist);
    track.tags.put(Fields.TITLE, title);
    track.tags.put(Fields.ALBUM, album);
    track.tags.put(Fields.YEAR, String.valueOf(year));
    track.tags.put(Fields.TRACK, String.valueOf(place));
    track.tags.put(Fields.GENRE, "Soul");
    track.tags.put(Fields.BPM, String.valueOf(recording.bpm()));
    track.tags.put(Fields.KEY, recording.key());
    track.cover = album;
    track.coverSide = 500;
    track.settle();
    tracks.add(track);
    return track;
  }

  private static String title(int number) {
    return DemoWords.title(200 + number);
  }

  /** An album whose folder says what it is; some of its files do not. */
  private void slipway() {
    List<DemoTrack> album = new ArrayList<>();
    for (int i = 1; i <= 9; i++) {
      album.add(add(WITH_PICTURE, i, "Pewter Wren", title(i), "Slipway", 1984));
    }
    album.get(2).spoil("missing", Fields.ALBUM, "", "folder-name");
    album.get(4).spoil("missing", Fields.YEAR, "", "folder-name");
    album.get(5).spoil("wrong year", Fields.YEAR, "2099", "years");
    album.get(6).spoil("double number", Fields.TRACK, "2", "track-numbers");
    album.get(7).coverSide = 0;
    album.get(7).troubles.add(new DemoTrack.Trouble("no artwork", "artwork", "", "", "artwork"));
    total(album, 9);
  }

  private static void total(List<DemoTrack> album, int all) {
    for (DemoTrack track : album) {
      String total = String.valueOf(all);
      track.clean.put(Fields.TRACK_TOTAL, total);
      track.troubles.add(
          new DemoTrack.Trouble("missing", Fields.TRACK_TOTAL.key(), "", total, "track-numbers"));
    }
  }

  /** A compilation without the artist of the whole. */
  private void sampler() {
    List<DemoTrack> album = new ArrayList<>();
    for (int i = 1; i <= 8; i++) {
      String artist = DemoWords.ARTISTS.get(i);
      DemoTrack track =
          add("Albums/Sampler/Parade Sampler", i, artist, title(20 + i), "Parade Sampler", 1999);
      track.clean.put(Fields.ALBUM_ARTIST, "Various Artists");
      track.troubles.add(
          new DemoTrack.Trouble(
              "missing", Fields.ALBUM_ARTIST.key(), "", "Various Artists", "whole-album"));
      album.add(track);
    }
    album.get(0).spoil("artist spelling", Fields.ARTIST, "Gannet Sisters, The", "artists");
    album.get(3).spoil("missing", Fields.ALBUM, "", "whole-album");
    total(album, 8);
  }

  /** The second disc of an album; the folder tells. */
  private void signalBox() {
    for (int i = 1; i <= 4; i++) {
      DemoTrack track =
          add(
              "Albums/Juniper Static/Signal Box/CD2",
              i,
              "Juniper Static",
              title(40 + i),
              "Signal Box",
              2003);
      track.clean.put(Fields.DISC, "2");
      track.troubles.add(new DemoTrack.Trouble("missing", Fields.DISC.key(), "", "2", "discs"));
    }
    total(tracks.subList(tracks.size() - 4, tracks.size()), 4);
  }

  private void hugeCover() {
    for (int i = 1; i <= 4; i++) {
      DemoTrack track =
          add(
              "Albums/Varda Pell/2011 - Low Water",
              i,
              "Varda Pell",
              title(60 + i),
              "Low Water",
              2011);
      track.coverSide = 1600;
      track.troubles.add(
          new DemoTrack.Trouble("huge artwork", "artwork", "1600x1600", "", "artwork"));
    }
    total(tracks.subList(tracks.size() - 4, tracks.size()), 4);
  }

  /** Values that look wrong and are right: nothing may be proposed for them. */
  private void traps() {
    trap("Pewter Wren", "In - Out").trap(Fields.TITLE, "In - Out", "the dash is the title's own");
    trap("Ottoline Fask", "SOS").trap(Fields.TITLE, "SOS", "initials");
    trap("Ottoline Fask", "Cold Lamps (for Ines)")
        .trap(Fields.TITLE, "Cold Lamps (for Ines)", "a name in brackets");
    trap("Ines Corrow", "Slow Ferry (Extended HD Dub)")
        .trap(Fields.TITLE, "Slow Ferry (Extended HD Dub)", "a version, though it says HD");
    trap("Ines Corrow", "99 Lanterns")
        .trap(Fields.TITLE, "99 Lanterns", "the number is the title's");
    trap("Juniper Static", "Preview of Winter")
        .trap(Fields.TITLE, "Preview of Winter", "a word of the junk list inside a title");
    trap("Tindra Voss", "Ærø Øl").trap(Fields.TITLE, "Ærø Øl", "letters that are meant");
    trap("Mossgrove 8", "Paper Rail").trap(Fields.ARTIST, "Mossgrove 8", "not Mossgrove 9");
    for (int i = 0; i < 4; i++) {
      trap("Varda Bell", title(80 + i)).trap(Fields.ARTIST, "Varda Bell", "not Varda Pell");
    }
    trap("Saltmarsh Radio", "Late Gate").trap(Fields.GENRE, "Dubstep", "not Dub");
    trap("Saltmarsh Radio", "Wooden Tide")
        .trap(Fields.COMMENT, "call 55512345 before the set", "the DJ's own words");
    trap("Brisk Meridian", "Amber Signal").trap(Fields.YEAR, "1958", "old and right");
  }

  private DemoTrack trap(String artist, String title) {
    int place = (int) tracks.stream().filter(t -> t.folder().equals(TRAPS)).count() + 1;
    DemoTrack track =
        add(TRAPS, place, artist, title, DemoWords.ALBUMS.get(place % 8), 1970 + place);
    track.tags.remove(Fields.COMMENT);
    return track;
  }
}
