package tenterhook.standins.demo;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import tenterhook.core.field.Fields;
import tenterhook.standins.synth.Encoder.AudioForm;

/** Spoils good files in the ways that a collection of fifteen years is spoiled. */
final class DemoTroubles {
  private static final Charset WESTERN = Charset.forName("windows-1252");
  private static final Charset CYRILLIC = Charset.forName("windows-1251");

  private final Random random;

  DemoTroubles(Random random) {
    this.random = random;
  }

  /** Spoils a track; the number chooses among equal ways. */
  void spoil(DemoTrack track, int number) {
    boolean download = track.path.startsWith("Downloads");
    title(track, number, download);
    names(track, number, download);
    numbers(track, number);
    comment(track, number, download);
    if (!track.brief()) {
      cover(track);
    }
    boolean several = track.tagForm.equals("2.3") && number % 12 == 5;
    if (several && track.tag(Fields.YEAR).matches("[12]\\d{3}")) {
      track.oldTagYear = String.valueOf(Integer.parseInt(track.tag(Fields.YEAR)) - 1);
    }
  }

  private boolean hit(int percent) {
    return random.nextInt(100) < percent;
  }

  /** At most one thing is wrong with a title. */
  private void title(DemoTrack track, int number, boolean download) {
    String artist = track.tag(Fields.ARTIST);
    String title = track.tag(Fields.TITLE);
    if (!track.brief() && accents(track, number, title)) {
      return;
    }
    boolean named = track.fileName().startsWith(artist + " - ");
    if (hit(download ? 30 : 6) && !track.brief()) {
      track.spoil("artist in title", Fields.TITLE, artist + " - " + title, "artist-in-title");
      track.spoil("missing", Fields.ARTIST, "", "artist-in-title");
    } else if (hit(download ? 20 : 4) && !track.brief()) {
      track.spoil("junk", Fields.TITLE, title + DemoWords.JUNK.get(number % 5), "junk");
    } else if (hit(3)) {
      track.spoil("missing", Fields.TITLE, "", "file-name");
    } else if (!track.brief() && letters(track, title)) {
      return;
    } else if (hit(4)) {
      track.spoil("missing", Fields.ARTIST, "", named ? "file-name" : "catalogue");
    }
  }

  /** Accents apart from their letters, or read with a wrong character set. */
  private static boolean accents(DemoTrack track, int number, String title) {
    String apart = Normalizer.normalize(title, Normalizer.Form.NFD);
    if (apart.equals(title) || title.chars().anyMatch(c -> c > 255)) {
      return false;
    }
    String misread = new String(title.getBytes(StandardCharsets.UTF_8), WESTERN);
    String is = number / 23 % 8 == 1 ? apart : misread;
    track.spoil("broken letters", Fields.TITLE, is, "broken-letters");
    return true;
  }

  /** Wrong capitals and broken letters; false when the title is left as it is. */
  private boolean letters(DemoTrack track, String title) {
    boolean ascii = title.chars().allMatch(c -> c < 128);
    if (ascii && hit(3)) {
      track.spoil("capitals", Fields.TITLE, title.toUpperCase(Locale.ROOT), "capitals");
      return true;
    }
    if (ascii && hit(2)) {
      track.spoil("capitals", Fields.TITLE, title.toLowerCase(Locale.ROOT), "capitals");
      return true;
    }
    boolean russian = title.chars().anyMatch(c -> c >= 0x410 && c <= 0x44F);
    if (russian && hit(50)) {
      String is = new String(title.getBytes(CYRILLIC), WESTERN);
      track.spoil("broken letters", Fields.TITLE, is, "broken-letters");
      return true;
    }
    return false;
  }

  private void names(DemoTrack track, int number, boolean download) {
    int artist = DemoWords.ARTISTS.indexOf(track.tag(Fields.ARTIST));
    if (hit(8) && artist >= 0 && artist < DemoWords.MISSPELLED.size()) {
      track.spoil("artist spelling", Fields.ARTIST, DemoWords.MISSPELLED.get(artist), "artists");
    } else if (track.tag(Fields.ARTIST).equals("Halden & Quill") && !track.brief() && hit(40)) {
      track.spoil("broken letters", Fields.ARTIST, "Halden &amp; Quill", "broken-letters");
    }
    if (hit(download ? 30 : 8)) {
      track.spoil("missing", Fields.ALBUM, "", "catalogue");
    }
    if (hit(14) && !track.brief()) {
      String spelling = DemoWords.MISSPELLED_GENRES.get(number % 8).strip();
      track.spoil("genre spelling", Fields.GENRE, spelling, "genres");
    } else if (hit(9)) {
      track.spoil("missing", Fields.GENRE, "", "catalogue");
    }
  }

  private void numbers(DemoTrack track, int number) {
    boolean usual = track.form == AudioForm.MP3 && !track.brief();
    year(track, number, usual);
    if (hit(12)) {
      boolean told = Character.isDigit(track.fileName().charAt(0));
      track.spoil("missing", Fields.TRACK, "", told ? "file-name" : "catalogue");
    }
    tempo(track, usual);
    if (!track.tag(Fields.KEY).isEmpty() && hit(14)) {
      track.spoil("missing", Fields.KEY, "");
    }
  }

  private void year(DemoTrack track, int number, boolean usual) {
    String year = track.tag(Fields.YEAR);
    if (hit(12)) {
      track.spoil("missing", Fields.YEAR, "", "catalogue");
    } else if (hit(5) && !track.brief()) {
      track.spoil("wrong year", Fields.YEAR, number % 2 == 0 ? "1900" : "2099", "catalogue");
    } else if (hit(5) && track.form == AudioForm.FLAC) {
      track.spoil("whole date", Fields.YEAR, year + "-05-03", "years");
    } else if (hit(4) && usual) {
      track.spoil("unusable year", Fields.YEAR, "0", "catalogue");
    }
  }

  private void tempo(DemoTrack track, boolean usual) {
    String bpm = track.tag(Fields.BPM);
    if (!bpm.isEmpty() && hit(14)) {
      track.spoil("missing", Fields.BPM, "");
    } else if (track.tag(Fields.GENRE).equals("Garage") && !bpm.isEmpty() && usual && hit(16)) {
      String half = String.valueOf(Double.parseDouble(bpm) / 2);
      track.spoil("half tempo", Fields.BPM, half, "tempo");
    }
  }

  private void comment(DemoTrack track, int number, boolean download) {
    String comment = track.tag(Fields.COMMENT);
    if (download && !comment.isEmpty() && hit(70)) {
      track.spoil("no codes", Fields.COMMENT, "");
      String genre = track.tag(Fields.GENRE).toLowerCase(Locale.ROOT);
      if (number % 3 == 0 && !genre.isBlank() && !track.brief()) {
        String words = genre + ", " + (number % 2 == 0 ? "doors" : "lounge");
        track.spoil("codes as words", Fields.GROUPING, words);
      }
    } else if (comment.endsWith("/") && hit(6)) {
      String stray = List.of("SKAA", "LPA", "WLD").get(number % 3);
      track.spoil("stray", Fields.COMMENT, comment + stray + "/");
    } else if (comment.endsWith("/") && track.form == AudioForm.FLAC && hit(20)) {
      String machine =
          List.of("0000A1B2 00003C4D 0000FFFF 00001234", "www.tape-swap.example").get(number % 2);
      track.spoil("machine comment", Fields.COMMENT, machine + " " + comment, "comments");
    } else if (!comment.endsWith("/") && !track.brief()) {
      track.spoil(
          "clash", Fields.COMMENT, (comment + " from SPRINGTIME sampler, SKATE edit").strip());
    }
    if (track.tag(Fields.COMMENT).isEmpty()) {
      track.tags.remove(Fields.COMMENT);
    }
  }

  private void cover(DemoTrack track) {
    if (hit(22)) {
      track.coverSide = 0;
      track.troubles.add(new DemoTrack.Trouble("no artwork", "artwork", "", "", ""));
    } else if (hit(8)) {
      track.coverSide = 64;
      track.troubles.add(new DemoTrack.Trouble("tiny artwork", "artwork", "64x64", "", ""));
    }
  }
}
