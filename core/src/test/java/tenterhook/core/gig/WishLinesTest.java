package tenterhook.core.gig;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class WishLinesTest {
  @Test
  void linesAreTakenAsTheyWereWrittenWithoutTheirNumbers() {
    String text =
        """
        Songs please!!
        1. Pewter Wren - Slipway
        2) Northern Ferry by Ines Corrow (the long one)
         12: Glass Water

        - Tin Lark – Edge
        • pewter wren - SLIPWAY
        99 Lanterns
        1984
        --- ???
        3.Cold Lamps
        """;
    assertThat(WishLines.of(text, " Oda "))
        .extracting(Wish::line)
        .containsExactly(
            "Songs please!!",
            "Pewter Wren - Slipway",
            "Northern Ferry by Ines Corrow (the long one)",
            "Glass Water",
            "Tin Lark – Edge",
            "99 Lanterns",
            "1984",
            "Cold Lamps");
    assertThat(WishLines.of(text, " Oda ")).allMatch(w -> w.by().equals("Oda") && w.open());
    assertThat(WishLines.of("\n \n", "")).isEmpty();
  }
}
