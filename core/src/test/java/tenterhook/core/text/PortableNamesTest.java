package tenterhook.core.text;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tenterhook.core.Seeded;
import tenterhook.core.Seeds;

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

  @Seeded
  void everyNameIsTakenByEverySystemAndGivenOnce(long block) {
    Seeds.each(
        block,
        500,
        random -> {
          List<String> names = Seeds.list(random, 0, 20, r -> Seeds.text(r, 24));
          Seeds.halving(
              names,
              some -> {
                PortableNames folder = new PortableNames();
                List<String> given = some.stream().map(folder::give).toList();
                assertThat(given)
                    .allSatisfy(
                        g ->
                            assertThat(g)
                                .isNotEmpty()
                                .doesNotContainPattern("[\\p{Cntrl}<>:\"/\\\\|?*]")
                                .doesNotMatch("(?i)(con|prn|aux|nul|com\\d|lpt\\d)(\\..*)?")
                                .doesNotEndWith(".")
                                .satisfies(
                                    n -> assertThat(n.getBytes(UTF_8)).hasSizeLessThan(255)));
                assertThat(given.stream().map(g -> g.toLowerCase(Locale.ROOT)))
                    .doesNotHaveDuplicates();
              });
        });
  }
}
