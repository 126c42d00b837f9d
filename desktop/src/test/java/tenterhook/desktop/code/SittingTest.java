package tenterhook.desktop.code;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.api.Test;

class SittingTest {
  private Instant now = Instant.parse("2026-11-28T20:00:00Z");
  private final Sitting sitting = new Sitting(() -> now);

  private void code(int id, int seconds) {
    now = now.plusSeconds(seconds);
    sitting.coded(id);
  }

  @Test
  void nothingIsSaidBeforeATrackIsCoded() {
    assertThat(sitting.tracks()).isZero();
    assertThat(sitting.secondsEach()).isZero();
  }

  @Test
  void eachTrackCountsOnceAndItsSecondsAreShared() {
    code(1, 4);
    code(2, 8);
    code(2, 100); // again the same, which is no other track
    assertThat(sitting.tracks()).isEqualTo(2);
    assertThat(sitting.secondsEach()).isEqualTo(6);
  }

  @Test
  void whoWasAwayWasNotSlow() {
    code(1, 5);
    code(2, 3600);
    code(3, 4);
    assertThat(sitting.secondsEach()).isEqualTo(3);
  }
}
