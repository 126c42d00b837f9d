package tenterhook.standins.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.standins.synth.Encoder.AudioForm;
import tenterhook.standins.synth.Recording;

/** Decides every file of the demo collection and everything that is wrong with it. */
final class DemoPlan {
  static final String MOVED_FROM = "Rink/Skate 2019";
  static final String MOVED_TO = "Archive/Rink/Skate 2019";

  /** A smaller demo has single tracks only. */
  private static final int SMALLEST_WITH_ALBUMS = 100;

  private static final List<String> FOLDERS =
      List.of(
          "Rink/Doors",
          "Rink/Skate 2018",
          MOVED_FROM,
          "Rink/Pairs",
          "Ferry/Sunset deck",
          "Ferry/Car deck",
          "Parade/Float",
          "Downloads/Oct",
          "Downloads/Nov");
  private static final int[] SHARES = {14, 15, 10, 9, 17, 13, 5, 10, 7};
  private static final AudioForm[] FORMS = {
    AudioForm.MP3,
    AudioForm.MP3,
    AudioForm.FLAC,
    AudioForm.MP3,
    AudioForm.M4A,
    AudioForm.MP3,
    AudioForm.OGG,
    AudioForm.MP3,
    AudioForm.WAV,
    AudioForm.MP3,
    AudioForm.AIFF,
    AudioForm.M4A
  };
  private static final int[] KBPS = {320, 128, 192, 256};
  private static final String[] TAG_FORMS = {"2.3", "2.4", "2.3", "2.4", "1"};

  private final Random random = new Random(20261);
  private final DemoTroubles troubles = new DemoTroubles(random);
  private final List<DemoTrack> tracks = new ArrayList<>();
  private int singles;

  private DemoPlan() {}

  /** The plan for about so many tracks; the same for the same number. */
  static List<DemoTrack> of(int count) {
    DemoPlan plan = new DemoPlan();
    List<DemoTrack> albums = count >= SMALLEST_WITH_ALBUMS ? DemoAlbums.tracks() : List.of();
    plan.originals(Math.max(40, count) * 88 / 100 - albums.size());
    plan.upscaled();
    plan.versions();
    plan.copies(Math.max(40, count) * 6 / 100);
    plan.reencoded(Math.max(40, count) * 4 / 100);
    plan.tracks.addAll(albums);
    plan.mishaps();
    return plan.tracks;
  }

  private void originals(int count) {
    singles = count;
    int made = 0;
    for (int f = 0; f < FOLDERS.size(); f++) {
      int until = f == FOLDERS.size() - 1 ? count : made + count * SHARES[f] / 100;
      for (int inFolder = 1; made < until; made++, inFolder++) {
        DemoTrack track = clean(made, FOLDERS.get(f), inFolder);
        troubles.spoil(track, made);
        tracks.add(track);
      }
    }
  }

  private DemoTrack clean(int number, String folder, int place) {
    int style = number % 8;
    boolean garage = DemoWords.GENRES.get(style).equals("Garage");
    double bpm = garage ? 126 + random.nextInt(100) / 10.0 : 70 + random.nextInt(900) / 10.0;
    Recording recording = Recording.of(number + 1, bpm);
    AudioForm form = FORMS[number % FORMS.length];
    String tagForm = form == AudioForm.MP3 ? TAG_FORMS[number % TAG_FORMS.length] : "";
    String artist = DemoWords.ARTISTS.get(random.nextInt(DemoWords.ARTISTS.size()));
    boolean foreign = number % 23 == 5;
    String title =
        foreign ? DemoWords.FOREIGN.get(number / 23 % 8) + " " + number : DemoWords.title(number);
    boolean latin = (title + artist).chars().allMatch(c -> c < 128);
    if (tagForm.equals("1") && !latin) {
      artist = "Varda Pell";
      title = "Short Tag " + recording.seed();
    }
    String name = place % 4 == 0 ? artist + " - " + title : String.format("%02d %s", place, title);
    DemoTrack track =
        new DemoTrack(recording, folder + "/" + name + "." + form.ending(), form, KBPS[number % 4]);
    track.tagForm = tagForm;
    int year = 1960 + random.nextInt(66);
    tags(track, number, place, year, style, artist, title);
    if (track.brief()) {
      shortTag(track);
    }
    track.settle();
    return track;
  }

  private void tags(
      DemoTrack track, int number, int place, int year, int style, String artist, String title) {
    set(track, Fields.ARTIST, artist);
    set(track, Fields.TITLE, title);
    set(track, Fields.ALBUM, DemoWords.ALBUMS.get(random.nextInt(8)));
    set(track, Fields.GENRE, DemoWords.GENRES.get(style));
    set(track, Fields.YEAR, String.valueOf(year));
    set(track, Fields.TRACK, String.valueOf(place));
    set(track, Fields.BPM, bpm(track.recording, track.form));
    set(track, Fields.KEY, track.recording.key());
    set(track, Fields.COMMENT, comment(number, year, style, track.recording));
    track.cover = track.tag(Fields.ALBUM);
    track.coverSide = 400 + 100 * (DemoWords.ALBUMS.indexOf(track.cover) % 3);
  }

  /** The field is whole numbers in the m4a container. */
  private static String bpm(Recording recording, AudioForm form) {
    return form == AudioForm.M4A
        ? String.valueOf(Math.round(recording.bpm()))
        : String.valueOf(recording.bpm());
  }

  private static void set(DemoTrack track, Field<?> field, String raw) {
    track.tags.put(field, raw);
  }

  private String comment(int number, int year, int style, Recording recording) {
    String own = number % 3 == 0 ? DemoWords.NOTES.get(number % 5) : "";
    List<String> codes = new ArrayList<>();
    if (random.nextInt(10) < 7) {
      codes.add(String.format("%02dS", year / 10 * 10 % 100));
    }
    if (random.nextInt(10) < 6) {
      codes.add(DemoWords.STYLES.get(style));
    }
    if (random.nextInt(10) < 5) {
      codes.add(recording.bpm() < 95 ? "GLD" : recording.bpm() < 125 ? "LAP" : "SPR");
    }
    if (random.nextInt(10) < 4) {
      codes.add(List.of("DRS", "PAI", "ICE", "FIN", "DEK", "LNG").get(number % 6));
    }
    String block = codes.isEmpty() ? "" : "/" + String.join("/", codes) + "/";
    return own.isEmpty() || block.isEmpty() ? own + block : own + " " + block;
  }

  /** What the short tag cannot hold is missing from the start. */
  private static void shortTag(DemoTrack track) {
    track.tags.remove(Fields.BPM);
    track.tags.remove(Fields.KEY);
    track.tags.remove(Fields.COMMENT);
    track.coverSide = 0;
    track.tags.put(Fields.GENRE, "Ska");
  }

  /** Files that claim more than their sound has: coded at 64 or 128 kbps before. */
  private void upscaled() {
    int seen = 0;
    for (DemoTrack track : tracks) {
      boolean grand =
          track.form == AudioForm.MP3 && track.kbps == 320 || track.form == AudioForm.FLAC;
      if (grand && seen++ % 4 == 1) {
        track.upscaledFrom = seen % 8 == 2 ? 64 : 128;
      }
    }
  }

  /** Live and remix versions: other recordings with nearly the same name. */
  private void versions() {
    int count = tracks.size() / 40;
    for (int i = 0; i < count; i++) {
      DemoTrack original = tracks.get((i * 37 + 3) % singles);
      String version = List.of("Live", "Ferry Remix", "Extended Mix").get(i % 3);
      String title = DemoWords.title(9000 + i).split(" ")[0] + " Version " + i;
      Recording other = Recording.of(5000 + i, original.recording.bpm());
      String path = original.folder() + "/" + title + " (" + version + ").flac";
      DemoTrack track = new DemoTrack(other, path, AudioForm.FLAC, 0);
      track.takeTags(original);
      String base = original.clean.getOrDefault(Fields.TITLE, title);
      track.tags.put(Fields.TITLE, base + " (" + version + ")");
      track.clean.put(Fields.TITLE, base + " (" + version + ")");
      track.versionOf = original.path;
      tracks.add(track);
    }
  }

  private void copies(int count) {
    for (int i = 0; i < count; i++) {
      DemoTrack original = tracks.get((i * 11 + 1) % singles);
      String name = original.path.substring(original.path.lastIndexOf('/') + 1);
      String folder = i % 2 == 0 ? "Downloads/Nov" : "Parade/Float";
      String path = folder + "/" + (i % 3 == 0 ? "copy of " : "") + name;
      if (tracks.stream().anyMatch(t -> t.path.equals(path)) || original.folder().equals(folder)) {
        continue;
      }
      DemoTrack copy = new DemoTrack(original.recording, path, original.form, original.kbps);
      copy.takeTags(original);
      copy.tagForm = original.tagForm;
      copy.upscaledFrom = original.upscaledFrom;
      copy.copyOf = original.path;
      tracks.add(copy);
    }
  }

  private void reencoded(int count) {
    for (int i = 0; i < count; i++) {
      DemoTrack original = tracks.get((i * 17 + 6) % singles);
      AudioForm form = original.form == AudioForm.MP3 ? AudioForm.M4A : AudioForm.MP3;
      String path = "Ferry/Car deck/re" + i + "_" + original.recording.seed() + "." + form.ending();
      DemoTrack copy = new DemoTrack(original.recording, path, form, 128);
      copy.takeTags(original);
      copy.coverSide = 0;
      copy.tags.put(Fields.TITLE, original.clean.getOrDefault(Fields.TITLE, "untitled"));
      copy.tags.remove(Fields.BPM);
      copy.tags.remove(Fields.YEAR);
      copy.tagForm = form == AudioForm.MP3 ? "2.3" : "";
      copy.sameSoundAs = original.path;
      tracks.add(copy);
    }
  }

  /** What happens after the first scan: a folder moves, single files are deleted. */
  private void mishaps() {
    int deleted = 0;
    for (DemoTrack track : tracks) {
      if (track.folder().equals(MOVED_FROM)) {
        track.movesTo = MOVED_TO + track.path.substring(MOVED_FROM.length());
      } else if (track.folder().equals("Rink/Pairs")
          && track.copyOf.isEmpty()
          && deleted < 3
          && tracks.stream().noneMatch(t -> t.copyOf.equals(track.path))) {
        track.deleted = true;
        deleted++;
      }
    }
  }
}
