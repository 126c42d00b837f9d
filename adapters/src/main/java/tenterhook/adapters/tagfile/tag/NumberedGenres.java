package tenterhook.adapters.tagfile.tag;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Genres by number: those of ID3v1 (0 to 79) and the extension of it in common use (80 to 191); and
 * the texts of ID3v2 that refer to them, such as {@code (17)}.
 */
public final class NumberedGenres {
  private static final Pattern NUMBERED = Pattern.compile("\\((\\d{1,3}|RX|CR)\\)");
  private static final List<String> NAMES = List.of(names());

  private NumberedGenres() {}

  /** The name of a number; empty when it has none. */
  public static String name(int number) {
    return number >= 0 && number < NAMES.size() ? NAMES.get(number) : "";
  }

  /** The number of a name, whatever its case; -1 when it has none. */
  public static int number(String name) {
    for (int i = 0; i < NAMES.size(); i++) {
      if (NAMES.get(i).equalsIgnoreCase(name.strip())) {
        return i;
      }
    }
    return -1;
  }

  /**
   * The genres that a text of ID3v2 means: {@code (17)}, {@code (4)(17)Own words}, {@code 17}, or
   * words. A doubled bracket in front means a bracket; an unknown number stays as it is.
   */
  public static List<String> parse(String text) {
    String rest = text.strip();
    List<String> genres = new ArrayList<>();
    if (!rest.isEmpty() && rest.charAt(0) > '9' && !rest.equals("RX") && !rest.equals("CR")) {
      return List.of(rest); // words, as nearly all are
    }
    Matcher numbered = NUMBERED.matcher(rest);
    while (numbered.lookingAt()) {
      genres.add(named(numbered.group(1), numbered.group()));
      rest = rest.substring(numbered.end());
      numbered = NUMBERED.matcher(rest);
    }
    rest = rest.startsWith("((") ? rest.substring(1) : rest;
    if (!rest.isBlank()) {
      String last = rest.matches("\\d{1,3}|RX|CR") ? named(rest, rest) : rest.strip();
      if (!genres.contains(last)) { // "(17)Rock" refines a genre to itself
        genres.add(last);
      }
    }
    return genres;
  }

  private static String named(String reference, String spelled) {
    String name =
        switch (reference) {
          case "RX" -> "Remix";
          case "CR" -> "Cover";
          default -> name(Integer.parseInt(reference));
        };
    return name.isEmpty() ? spelled : name;
  }

  /**
   * The text that means a genre in ID3v2, and is read as nothing else.
   *
   * @param genre its name
   */
  public static String text(String genre) {
    return genre.startsWith("(") ? "(" + genre : genre;
  }

  private static String[] names() {
    return """
    Blues,Classic Rock,Country,Dance,Disco,Funk,Grunge,Hip-Hop,Jazz,Metal,New Age,Oldies,
    Other,Pop,R&B,Rap,Reggae,Rock,Techno,Industrial,Alternative,Ska,Death Metal,Pranks,
    Soundtrack,Euro-Techno,Ambient,Trip-Hop,Vocal,Jazz+Funk,Fusion,Trance,Classical,
    Instrumental,Acid,House,Game,Sound Clip,Gospel,Noise,Alternative Rock,Bass,Soul,Punk,
    Space,Meditative,Instrumental Pop,Instrumental Rock,Ethnic,Gothic,Darkwave,
    Techno-Industrial,Electronic,Pop-Folk,Eurodance,Dream,Southern Rock,Comedy,Cult,Gangsta,
    Top 40,Christian Rap,Pop/Funk,Jungle,Native American,Cabaret,New Wave,Psychedelic,Rave,
    Showtunes,Trailer,Lo-Fi,Tribal,Acid Punk,Acid Jazz,Polka,Retro,Musical,Rock & Roll,
    Hard Rock,Folk,Folk-Rock,National Folk,Swing,Fast Fusion,Bebop,Latin,Revival,Celtic,
    Bluegrass,Avantgarde,Gothic Rock,Progressive Rock,Psychedelic Rock,Symphonic Rock,
    Slow Rock,Big Band,Chorus,Easy Listening,Acoustic,Humour,Speech,Chanson,Opera,
    Chamber Music,Sonata,Symphony,Booty Bass,Primus,Porn Groove,Satire,Slow Jam,Club,Tango,
    Samba,Folklore,Ballad,Power Ballad,Rhythmic Soul,Freestyle,Duet,Punk Rock,Drum Solo,
    A Cappella,Euro-House,Dance Hall,Goa,Drum & Bass,Club-House,Hardcore,Terror,Indie,BritPop,
    Afro-Punk,Polsk Punk,Beat,Christian Gangsta Rap,Heavy Metal,Black Metal,Crossover,
    Contemporary Christian,Christian Rock,Merengue,Salsa,Thrash Metal,Anime,JPop,Synthpop,
    Abstract,Art Rock,Baroque,Bhangra,Big Beat,Breakbeat,Chillout,Downtempo,Dub,EBM,Eclectic,
    Electro,Electroclash,Emo,Experimental,Garage,Global,IDM,Illbient,Industro-Goth,Jam Band,
    Krautrock,Leftfield,Lounge,Math Rock,New Romantic,Nu-Breakz,Post-Punk,Post-Rock,Psytrance,
    Shoegaze,Space Rock,Trop Rock,World Music,Neoclassical,Audiobook,Audio Theatre,
    Neue Deutsche Welle,Podcast,Indie Rock,G-Funk,Dubstep,Garage Rock,Psybient
    """
        .replace("\n", "")
        .split(",");
  }
}
