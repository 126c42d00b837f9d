package tenterhook.standins.catalogue;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.core.catalogue.Facts;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Cell;
import tenterhook.core.track.Snapshot;

/**
 * Tags as machines and hurried hands leave them: cut at thirty letters, read in the wrong alphabet,
 * names in the file's name only, artist and title in one field or changed about, reissues with the
 * year of the reissue, numbers that go on over two discs, silence before and after. It shares no
 * damage with {@link LabelledSet.Damage#holes}, and goes the whole way from the tags.
 */
public final class RippedTags implements LabelledSet.Damage {
  private static final int SHORT_TAG = 30;

  @Override
  public Facts damaged(CatalogueEntry entry, Random random) {
    Hand hand = new Hand(random);
    String artist = hand.artist(entry.artist());
    String title = hand.title(entry.title());
    List<Cell> cells = new ArrayList<>();
    String file = "track.mp3";
    int names = random.nextInt(100);
    if (names < 14) {
      file = hand.number(entry) + artist + " - " + title + ".mp3";
    } else if (names < 24) {
      put(cells, Fields.TITLE, artist + " - " + title);
    } else if (names < 27) {
      put(cells, Fields.ARTIST, title);
      put(cells, Fields.TITLE, artist);
    } else {
      put(cells, Fields.ARTIST, artist);
      put(cells, Fields.TITLE, title);
    }
    put(cells, Fields.PATH, "Inbox/" + file);
    put(cells, Fields.ALBUM, hand.album(entry.album()));
    put(cells, Fields.YEAR, hand.year(entry.year()));
    put(cells, Fields.TRACK, hand.track(entry.track()));
    put(cells, Fields.DURATION, String.valueOf(hand.seconds(entry.seconds())));
    return Facts.of(Snapshot.empty().with(cells), 1);
  }

  private static void put(List<Cell> cells, Field<?> field, String value) {
    cells.add(new Cell(1, field, value));
  }

  /** One file's damage. */
  private record Hand(Random random) {
    boolean hit(int percent) {
      return random.nextInt(100) < percent;
    }

    String artist(String name) {
      String artist = hit(7) ? "The " + name : name;
      artist = hit(8) ? artist + " feat. Ilka Brandt" : artist;
      artist = hit(5) ? artist.replaceFirst("^(\\S+) (\\S+)$", "$2, $1") : artist;
      return letters(artist);
    }

    String title(String name) {
      String title = hit(6) ? name + " (Official Video)" : name;
      title = hit(5) ? title + " [Remastered 2009]" : title;
      title = hit(5) ? title + " (feat. Ilka Brandt)" : title;
      title = hit(4) ? title.replaceAll(" \\(([^)]+)\\)$", " - $1") : title;
      return letters(title);
    }

    /** Capitals, accents, the alphabet, blanks, cut ends, changed letters. */
    String letters(String text) {
      String out = text;
      out = hit(10) ? out.toUpperCase(Locale.ROOT) : hit(10) ? out.toLowerCase(Locale.ROOT) : out;
      out = hit(8) ? Normalizer.normalize(out, Normalizer.Form.NFD).replaceAll("\\p{M}", "") : out;
      out = hit(5) ? wrongAlphabet(out) : out;
      out = hit(6) ? out.replace(' ', '_') : out;
      out = hit(6) ? swapped(out) : out;
      return hit(8) && out.length() > SHORT_TAG ? out.substring(0, SHORT_TAG) : out;
    }

    private String swapped(String text) {
      if (text.length() < 5) {
        return text;
      }
      int at = 1 + random.nextInt(text.length() - 3);
      return text.substring(0, at) + text.charAt(at + 1) + text.charAt(at) + text.substring(at + 2);
    }

    private static String wrongAlphabet(String text) {
      return new String(text.getBytes(StandardCharsets.UTF_8), StandardCharsets.ISO_8859_1);
    }

    String number(CatalogueEntry entry) {
      return hit(50) && entry.track() > 0
          ? String.format(Locale.ROOT, "%02d%s", entry.track(), hit(50) ? ". " : " ")
          : "";
    }

    String album(String name) {
      int what = random.nextInt(100);
      if (what < 35 || name.isEmpty()) {
        return what < 6 ? "Party Hits 2011" : what < 10 ? "Unknown Album" : "";
      }
      String album = what < 45 ? name + " (Deluxe Edition)" : what < 50 ? name + " CD 1" : name;
      return letters(album);
    }

    /** Not the recording's: the reissue's or the day it was ripped. */
    String year(int year) {
      int what = random.nextInt(100);
      if (what < 25 || year == 0) {
        return "";
      }
      return String.valueOf(
          what < 37 ? Math.min(2026, year + 3 + random.nextInt(30)) : what < 40 ? 2011 : year);
    }

    String track(int number) {
      int what = random.nextInt(100);
      return what < 35 || number == 0
          ? ""
          : String.valueOf(what < 45 ? number + 10 + random.nextInt(4) : number);
    }

    double seconds(double seconds) {
      int what = random.nextInt(100);
      if (what < 4) {
        return 0;
      }
      double silence = what < 14 ? 1 + random.nextDouble() * 4 : 0;
      return Math.max(1, seconds + 0.05 + silence + random.nextGaussian() * 0.15);
    }
  }
}
