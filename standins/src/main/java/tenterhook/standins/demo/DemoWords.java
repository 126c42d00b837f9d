package tenterhook.standins.demo;

import java.util.List;

/** The made-up names of the demo scenario. */
final class DemoWords {
  static final List<String> ARTISTS =
      List.of(
          "Ottoline Fask",
          "The Gannet Sisters",
          "Pewter Wren",
          "Brisk Meridian",
          "Lowtide Assembly",
          "Varda Pell",
          "Mossgrove 9",
          "Ines Corrow",
          "Juniper Static",
          "Кассета Ветра",
          "Θάλασσα Εννέα",
          "霧笛ユニット",
          "Éloïse Tarn-Ø",
          "Halden & Quill",
          "Saltmarsh Radio",
          "Tindra Voss");

  /** The same artist spelled otherwise: what a DJ's collection is full of. */
  static final List<String> MISSPELLED =
      List.of(
          "ottoline fask",
          "Gannet Sisters, The",
          "Pewter  Wren",
          "Brisk Meridien",
          "LOWTIDE ASSEMBLY");

  static final List<String> FIRST =
      List.of(
          "Cold",
          "Slow",
          "Third",
          "Outside",
          "Paper",
          "Harbour",
          "Copper",
          "Late",
          "Hollow",
          "Quiet",
          "Northern",
          "Glass",
          "Borrowed",
          "Salt",
          "Winter",
          "Amber",
          "Loose",
          "Second",
          "Wooden",
          "Blue");

  static final List<String> SECOND =
      List.of(
          "Lamps", "Freeze", "Bell", "Edge", "Ferry", "Lights", "Rail", "Water", "Orders", "Gate",
          "Lantern", "Circuit", "Marshal", "Anchor", "Signal", "Parade", "Skates", "Letter", "Tide",
          "Engine");

  static final List<String> FOREIGN =
      List.of(
          "Зимний каток",
          "Café du port",
          "Ночной паром",
          "Βραδινό φως",
          "Πάγος",
          "夜の渡し船",
          "凍る港",
          "Été gelé");

  static final List<String> ALBUMS =
      List.of(
          "Harbour Lights",
          "Slipway",
          "Last Lap",
          "Sunset Deck",
          "Ice Break",
          "Signal Box",
          "Tin Whistle Days",
          "Low Water");

  static final List<String> GENRES =
      List.of("Ska", "Soul", "Electro", "Synth Pop", "Highlife", "City Pop", "Dub", "Garage");

  /** Code of the style, beside the genre of the same place. */
  static final List<String> STYLES =
      List.of("SKA", "SOU", "ELC", "SYN", "HIL", "CIT", "DUB", "GAR");

  static final List<String> MISSPELLED_GENRES =
      List.of("ska", "SOUL", "electro-", "synth-pop", "High Life", "Citypop", "dub", "GARAGE");

  static final List<String> JUNK =
      List.of(
          " (Official Video)",
          " [free dl]",
          " - www.tape-swap.example",
          "_final_master",
          " (HQ) (HD)");

  static final List<String> NOTES =
      List.of(
          "long fade, watch the cymbal",
          "crowd sings along",
          "starts cold",
          "good after a break",
          "skip the intro");

  private DemoWords() {}

  static String title(int number) {
    String title = FIRST.get(number % 20) + " " + SECOND.get((number / 20 + number * 7) % 20);
    int round = number / 400;
    return round == 0 ? title : title + " " + (round + 1);
  }
}
