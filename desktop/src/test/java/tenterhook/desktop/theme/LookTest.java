package tenterhook.desktop.theme;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.Properties;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LookTest {
  @ParameterizedTest
  @ValueSource(
      strings = {
        "Ottoline Fask",
        "Éloïse – Tarn-Ø",
        "Кассета Ветра",
        "Θάλασσα",
        "600×500",
        "a → b",
        ""
      })
  void theFaceCoversLatinGreekAndCyrillic(String text) {
    assertThat(Look.covered(text)).isTrue();
  }

  @ParameterizedTest
  @ValueSource(strings = {"霧笛ユニット", "F♯m", "Cafe\u0301", "🙂", "עברית", "★"})
  void otherLettersNeedTheSystemsFont(String text) {
    assertThat(Look.covered(text)).isFalse();
  }

  @Test
  void ourOwnWordingUsesCoveredLettersOnly() throws IOException {
    wording()
        .forEach(
            (key, text) ->
                assertThat(Look.covered(String.valueOf(text))).as(String.valueOf(key)).isTrue());
  }

  private static Properties wording() throws IOException {
    Properties words = new Properties();
    try (InputStream in =
        Look.class.getResourceAsStream("/tenterhook/desktop/messages.properties")) {
      words.load(new InputStreamReader(in, StandardCharsets.UTF_8));
    }
    return words;
  }

  @Test
  void everyWordingThatTheCodeAsksForIsThere() throws IOException {
    Properties words = wording();
    Pattern asked = Pattern.compile("(?:Words\\.of|item|check)\\(\\s*\"([a-zA-Z.]+[a-zA-Z])\"");
    List<String> missing = new ArrayList<>();
    int found = 0;
    try (Stream<Path> sources = Files.walk(Path.of("src/main/java"))) {
      for (Path source : sources.filter(p -> p.toString().endsWith(".java")).toList()) {
        Matcher matcher = asked.matcher(Files.readString(source));
        while (matcher.find()) {
          found++;
          if (!words.containsKey(matcher.group(1))) {
            missing.add(matcher.group(1));
          }
        }
      }
    }
    assertThat(found).isGreaterThan(100);
    assertThat(missing).isEmpty();
  }

  @Test
  void aMissingWordingIsABrokenPromise() {
    assertThatThrownBy(() -> Words.of("no.such")).isInstanceOf(MissingResourceException.class);
  }

  @Test
  void numbersChooseTheirNoun() {
    assertThat(Words.of("lost.close", 1)).isEqualTo("Close 1 lost file");
    assertThat(Words.of("lost.close", 41)).isEqualTo("Close 41 lost files");
    assertThat(Words.of("edit.sentence", "album and year", 11))
        .isEqualTo("changes album and year on 11 tracks");
  }

  @ParameterizedTest
  @CsvSource({
    "-ink,-linen",
    "-ink,-paper",
    "-ink,-sheet",
    "-soft,-linen",
    "-soft,-paper",
    "-soft,-sheet",
    "-madder,-sheet",
    "-madder,-linen",
    "-woad,-sheet",
    "-woad,-linen",
    "-weld,-sheet",
    "-indigo,-sheet",
    "-on-indigo,-indigo",
    "-on-walnut,-walnut",
    "-ink,-indigo-tint",
    "-walnut,-linen"
  })
  void textCanBeReadInBothThemes(String text, String ground) throws IOException {
    for (String theme : List.of("linen", "night")) {
      Map<String, String> dyes = dyes(theme);
      assertThat(contrast(dyes.get(text), dyes.get(ground)))
          .as(text + " on " + ground + " in " + theme)
          .isGreaterThanOrEqualTo(4.5);
    }
  }

  private static Map<String, String> dyes(String theme) throws IOException {
    String css;
    try (InputStream in = Look.class.getResourceAsStream("/tenterhook/desktop/tenterhook.css")) {
      css = new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
    int from = theme.equals("night") ? css.indexOf(".root.night") : css.indexOf(".root {");
    String block = css.substring(from, css.indexOf('}', from));
    Map<String, String> dyes = new HashMap<>();
    Matcher dye = Pattern.compile("(-[a-z-]+): #([0-9A-F]{6});").matcher(block);
    while (dye.find()) {
      dyes.put(dye.group(1), dye.group(2));
    }
    return dyes;
  }

  /** Contrast by WCAG 2.2: relative luminance of sRGB. */
  private static double contrast(String a, String b) {
    double x = luminance(a);
    double y = luminance(b);
    return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
  }

  private static double luminance(String hex) {
    double[] parts = new double[3];
    for (int i = 0; i < 3; i++) {
      double c = Integer.parseInt(hex.substring(2 * i, 2 * i + 2), 16) / 255.0;
      parts[i] = c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
    }
    return 0.2126 * parts[0] + 0.7152 * parts[1] + 0.0722 * parts[2];
  }

  @Test
  void coloursStandInTheStyleSheetOnly() throws IOException {
    try (Stream<Path> sources = Files.walk(Path.of("src/main/java"))) {
      for (Path source : sources.filter(p -> p.toString().endsWith(".java")).toList()) {
        assertThat(Files.readString(source))
            .as(source.toString())
            .doesNotContain("setStyle(\"")
            .doesNotContainPattern("Color\\.(web|rgb)\\(");
      }
    }
  }
}
