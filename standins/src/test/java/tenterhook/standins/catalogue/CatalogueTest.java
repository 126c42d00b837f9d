package tenterhook.standins.catalogue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import tenterhook.adapters.catalogue.CatalogueClient;
import tenterhook.adapters.catalogue.CatalogueClient.Manners;
import tenterhook.adapters.tagfile.ArtworkImages;
import tenterhook.core.catalogue.Catalogue;
import tenterhook.core.catalogue.CatalogueBook;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.standins.catalogue.CatalogueService.Mood;
import tenterhook.standins.catalogue.LabelledSet.Damage;
import tenterhook.standins.catalogue.LabelledSet.Judged;

/** The service, and the client against all its moods. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CatalogueTest {
  private static final Manners QUICK =
      new Manners(1000, 4, Duration.ofMillis(250), Duration.ofSeconds(20));

  private final List<Duration> slept = new ArrayList<>();
  private CatalogueBook book;
  private CatalogueService service;
  private CatalogueClient client;

  @BeforeAll
  void start() throws Exception {
    book = DemoCatalogue.of(120);
    service = CatalogueService.start(book, 0);
  }

  @AfterAll
  void stop() {
    service.close();
  }

  @BeforeEach
  void freshClient() {
    service.behave(Mood.GOOD);
    slept.clear();
    client = new CatalogueClient(service.address(), QUICK, slept::add);
  }

  private CatalogueEntry known() {
    CatalogueEntry entry = book.entries().get(7);
    return entry.withArtwork(service.address().resolve(entry.artwork()).toString());
  }

  private List<String> words() {
    return List.of(
        (known().title() + " " + known().artist()).toLowerCase(java.util.Locale.ROOT).split(" "));
  }

  @Test
  void theDemosRecordingsAreFoundAmongThousands() throws Exception {
    assertThat(book.entries()).hasSizeGreaterThan(3000);
    assertThat(client.search(words())).contains(known());
    assertThat(client.album("Parade Sampler", ""))
        .hasSize(8)
        .isSortedAccordingTo((a, b) -> a.track() - b.track());
    assertThat(client.search(List.of())).isEmpty();
  }

  @Test
  void coversComeFromTheServiceAloneAndNoFurther() throws Exception {
    CatalogueEntry found =
        client.search(words()).stream().filter(e -> e.id().equals(known().id())).findFirst().get();
    assertThat(found.artwork()).startsWith(service.address() + "artwork?name=");
    byte[] cover = client.artwork(found).orElseThrow();
    assertThat(ArtworkImages.describe(cover).trouble()).isEmpty();
    int before = service.asked();
    for (String elsewhere :
        List.of("http://elsewhere.example/a.jpg", "file:///etc/hosts", "a b", "")) {
      assertThat(client.artwork(found.withArtwork(elsewhere))).isEmpty();
    }
    assertThat(service.asked()).isEqualTo(before);
    assertThat(client.artwork(found.withArtwork(service.address() + "artwork?name="))).isEmpty();
    service.behave(new Mood(0, 1, 0));
    assertThatThrownBy(() -> client.artwork(found)).isInstanceOf(Catalogue.Unanswered.class);
  }

  @Test
  void theSameQuestionIsAskedOnce() throws Exception {
    int before = service.asked();
    client.search(words());
    client.search(words());
    assertThat(service.asked() - before).isEqualTo(1);
  }

  @Test
  void aServiceThatFailsNowAndThenIsAskedAgainWithGrowingPauses() throws Exception {
    service.behave(new Mood(0, 1, 0));
    int before = service.asked();
    assertThatThrownBy(() -> client.search(words()))
        .isInstanceOf(Catalogue.Unanswered.class)
        .hasMessageContaining("out of order (503)")
        .hasMessageContaining("nothing was changed");
    assertThat(service.asked() - before).isEqualTo(4);
    assertThat(slept)
        .contains(Duration.ofMillis(250), Duration.ofMillis(500), Duration.ofMillis(1000));
    service.behave(new Mood(0, 2, 0));
    assertThat(client.search(words())).contains(known());
  }

  @Test
  void aServiceThatLimitsTheRateIsGivenTime() {
    service.behave(new Mood(0, 0, 1));
    assertThatThrownBy(
            () -> {
              client.search(List.of("cold"));
              client.search(List.of("paper"));
              client.search(List.of("winter"));
            })
        .hasMessageContaining("asked too often");
    assertThat(slept).contains(Duration.ofSeconds(1));
  }

  @Test
  void aSlowServiceRunsOutOfPatience() {
    service.behave(new Mood(400, 0, 0));
    CatalogueClient hasty =
        new CatalogueClient(
            service.address(),
            new Manners(1000, 2, Duration.ofMillis(1), Duration.ofMillis(100)),
            slept::add);
    assertThatThrownBy(() -> hasty.search(List.of("slow")))
        .hasMessageContaining("cannot be reached");
  }

  @Test
  void aServiceThatIsGoneSaysSo() throws Exception {
    CatalogueService other = CatalogueService.start(book, 0);
    CatalogueClient of = new CatalogueClient(other.address(), QUICK, slept::add);
    assertThat(of.search(words())).isNotEmpty();
    other.close();
    assertThat(of.search(words())).as("what it said before").isNotEmpty();
    assertThatThrownBy(() -> of.search(List.of("tide")))
        .hasMessageContaining("cannot be reached")
        .hasMessageContaining("what it said before is kept");
  }

  @Test
  void theClientKeepsItsRate() throws Exception {
    CatalogueClient slow =
        new CatalogueClient(
            service.address(),
            new Manners(1, 1, Duration.ofMillis(1), Duration.ofSeconds(20)),
            slept::add);
    slow.search(List.of("one"));
    slow.search(List.of("two"));
    assertThat(slept).singleElement().satisfies(d -> assertThat(d.toMillis()).isBetween(1L, 1000L));
  }

  @Test
  void certaintyIsRightAsOftenAsItSays() {
    List<Judged> judged = LabelledSet.judge(book, 77, 3000, Damage.holes());
    List<Judged> certain = judged.stream().filter(j -> j.certainty() >= 90).toList();
    long wrong = certain.stream().filter(j -> !j.right()).count();
    assertThat(certain).hasSizeGreaterThan(1500);
    assertThat(wrong * 100).as(wrong + " of " + certain.size()).isLessThan(certain.size());
    for (int from = 0; from < 100; from += 25) {
      int least = from;
      List<Judged> in =
          judged.stream()
              .filter(j -> j.certainty() >= least && j.certainty() < least + 25)
              .toList();
      double said = in.stream().mapToInt(Judged::certainty).average().orElseThrow();
      double right = 100.0 * in.stream().filter(Judged::right).count() / in.size();
      assertThat(right)
          .as("from " + from + ", " + in.size() + " matches")
          .isBetween(said - 12, said + 12);
    }
  }

  @Test
  void certaintyHoldsOnDamageThatTheTableNeverSaw() {
    List<Judged> certain =
        LabelledSet.judge(book, 78, 3000, new RippedTags()).stream()
            .filter(j -> j.certainty() >= 90)
            .toList();
    long wrong = certain.stream().filter(j -> !j.right()).count();
    assertThat(certain).hasSizeGreaterThan(1200);
    assertThat(wrong * 100).as(wrong + " of " + certain.size()).isLessThan(certain.size());
  }
}
