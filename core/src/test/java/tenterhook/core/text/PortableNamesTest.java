package tenterhook.core.text;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PortableNamesTest {
  @ParameterizedTest
  @CsvSource({
    "Cold Lamps.mp3, Cold Lamps.mp3",
    "Gate 4: Who? \"Me\".flac, Gate 4_ Who_ _Me_.flac",
    "con.mp3, _con.mp3",
    "lamps .mp3, lamps.mp3",
    "...mp3, _.mp3",
    "Ete\u0301.ogg, Eté.ogg",
    "夜の渡し船.m4a, 夜の渡し船.m4a",
    "a|b*c<d>.wav, a_b_c_d_.wav"
  })
  void whatSystemsRefuseIsReplaced(String name, String given) {
    assertThat(new PortableNames().give(name)).isEqualTo(given);
  }

  @Test
  void longNamesAreCutBetweenLetters() {
    String given = new PortableNames().give("夜".repeat(300) + ".mp3");
    assertThat(given).matches("夜{66}\\.mp3");
  }

  @Property(tries = 500)
  void everyNameIsTakenByEverySystemAndGivenOnce(@ForAll List<String> names) {
    PortableNames folder = new PortableNames();
    List<String> given = names.stream().map(folder::give).toList();
    assertThat(given)
        .allSatisfy(
            g ->
                assertThat(g)
                    .isNotEmpty()
                    .doesNotContainPattern("[\\p{Cntrl}<>:\"/\\\\|?*]")
                    .doesNotMatch("(?i)(con|prn|aux|nul|com\\d|lpt\\d)(\\..*)?")
                    .doesNotEndWith(".")
                    .satisfies(n -> assertThat(n.getBytes(UTF_8)).hasSizeLessThan(255)));
    assertThat(given.stream().map(g -> g.toLowerCase(Locale.ROOT))).doesNotHaveDuplicates();
  }
}
