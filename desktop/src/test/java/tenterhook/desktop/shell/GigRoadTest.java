package tenterhook.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import javafx.event.EventHandler;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tenterhook.core.field.Fields;
import tenterhook.core.gig.Gig;
import tenterhook.core.gig.Wish;
import tenterhook.desktop.control.CopiedText;
import tenterhook.desktop.play.PlaysView;
import tenterhook.desktop.workspace.Station;

/** A gig by keys alone, from nothing to the set list read back; every press is counted. */
class GigRoadTest extends WindowTest {
  private static final String TITLE = "Spring opening";

  /** A press and a thought before each act: Card, Moran and Newell, 1980. */
  private static final double SECONDS_A_PRESS = 0.28;

  private static final double SECONDS_A_THOUGHT = 1.35;
  private static final int MOST_MINUTES = 15;

  private int presses;
  private int acts;

  private void alt(KeyCode key) {
    acts++;
    robot.press(KeyCode.ALT, key).release(key, KeyCode.ALT);
    events();
  }

  private void typed(String text) {
    acts++;
    robot.write(text, 0);
    events();
  }

  private void over(String text) {
    control(KeyCode.A);
    typed(text);
  }

  private void tab(int times) {
    for (int i = 0; i < times; i++) {
      key(KeyCode.TAB);
    }
  }

  private void taken() {
    key(KeyCode.ENTER);
    settle();
  }

  private Gig gig() {
    return collection.state().gigs().named(TITLE).orElseThrow();
  }

  private void part(String name, int minutes, String fill) {
    alt(KeyCode.P);
    typed(name);
    tab(1);
    over(String.valueOf(minutes));
    tab(2);
    typed(fill);
    taken();
  }

  private List<Integer> plain() {
    Pattern words = Pattern.compile("[A-Za-z]{4,} [A-Za-z]{4,}");
    List<Integer> found = new ArrayList<>();
    for (int id : now().tracks(id -> !now().lost(id))) {
      boolean once =
          now()
                  .tracks(o -> now().raw(o, Fields.TITLE).equals(now().raw(id, Fields.TITLE)))
                  .getCardinality()
              == 1;
      if (once
          && words.matcher(now().raw(id, Fields.TITLE)).matches()
          && words.matcher(now().raw(id, Fields.ARTIST)).matches()
          && !collection.state().tracksAway().contains(id)) {
        found.add(id);
      }
    }
    return found;
  }

  private String wish(int id) {
    return now().raw(id, Fields.TITLE) + " by " + now().raw(id, Fields.ARTIST);
  }

  @Test
  void fromNothingToTheSetListReadBackWithinAQuarterOfAnHour(@TempDir Path out) throws Exception {
    List<Integer> wished = plain().subList(0, 2);
    EventHandler<KeyEvent> count = e -> presses++;
    fx(() -> shell.getScene().addEventFilter(KeyEvent.KEY_PRESSED, count));
    try {
      plan(wished);
      pack(out.resolve("stick"));
      back(out, wished);
    } finally {
      fx(() -> shell.getScene().removeEventFilter(KeyEvent.KEY_PRESSED, count));
    }
    double minutes = (presses * SECONDS_A_PRESS + acts * SECONDS_A_THOUGHT) / 60;
    System.out.printf(
        Locale.ROOT,
        "a gig by keys alone: %d presses, %d acts, %.1f minutes of a DJ's time%n",
        presses,
        acts,
        minutes);
    assertThat(minutes).isBetween(1.0, (double) MOST_MINUTES);
  }

  private void plan(List<Integer> wished) {
    station(Station.GIGS);
    settle();
    alt(KeyCode.G);
    typed(TITLE);
    tab(1);
    over("2999-03-20");
    tab(3);
    typed("Coldharbour Rink");
    tab(1);
    typed("Oda Brennick (OH-da BREN-ik), host");
    control(KeyCode.ENTER);
    settle();
    assertThat(gig().evening().place()).isEqualTo("Coldharbour Rink");
    assertThat(gig().evening().people().getFirst().said()).isEqualTo("OH-da BREN-ik");
    part("Doors", 1, "crate:\"Doors open\"");
    part("Easy laps", 1, "bpm:100..124");
    part("Pairs", 0, "crate:\"Pairs only\"");
    part("Ice break", 0, "crate:\"Ice break\"");
    part("Last lap", 90, "year:1980..1999");
    assertThat(gig().allParts()).hasSize(5);
    alt(KeyCode.W);
    fx(() -> CopiedText.put(wish(wished.get(0)) + "\n" + wish(wished.get(1))));
    control(KeyCode.V);
    control(KeyCode.ENTER);
    settle();
    alt(KeyCode.C);
    settle();
    assertThat(gig().wishes()).extracting(Wish::track).containsExactlyElementsOf(wished);
    alt(KeyCode.N);
    typed("code:TLK");
    taken();
    assertThat(gig().never().lines()).hasSize(1);
    assertThat(text("gig-ready")).startsWith("Not ready");
    assertThat(words("gig-findings")).anyMatch(w -> w.matches("Last lap has \\d+ of 90 minutes"));
    alt(KeyCode.E);
    tab(1);
    over("1");
    taken();
    assertThat(text("gig-ready")).as(words("gig-findings").toString()).isEqualTo("Ready");
  }

  private void pack(Path stick) {
    alt(KeyCode.S);
    over(stick.toString());
    taken();
    assertThat(words("pack-outcome")).anyMatch(w -> w.matches("\\d+ copied, 0 were there.*"));
    tab(5);
    key(KeyCode.SPACE);
    settle();
    assertThat(words("pack-outcome")).anyMatch(w -> w.contains("nothing of the gig is missing"));
    key(KeyCode.ESCAPE);
  }

  /** The night passes; the system's own dialog, in which a file is chosen, is not opened here. */
  private void back(Path out, List<Integer> wished) throws Exception {
    alt(KeyCode.V);
    tab(1);
    over("2020-01-01");
    taken();
    Path list =
        Files.writeString(
            out.resolve("2020-01-01.m3u8"), collection.state().path(wished.getFirst()) + "\n");
    fx(() -> shell.showPlays());
    settle();
    PlaysView plays = (PlaysView) shell.inView();
    presses += list.toString().length() + 2;
    fx(() -> plays.read(list));
    settle();
    assertThat(text("answer-text")).isEqualTo("2020-01-01");
    fx(() -> lookup("#answer-text").requestFocus());
    taken();
    station(Station.GIGS);
    settle();
    assertThat(text("list-title-gig")).isEqualTo(TITLE);
    assertThat(words("gig-afterwards"))
        .anyMatch(w -> w.startsWith("1 played that night"))
        .contains("your wish was played: " + wish(wished.getFirst()))
        .contains("your wish was not played: " + wish(wished.getLast()));
  }
}
