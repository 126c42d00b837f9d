package tenterhook.standins.listen;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import tenterhook.adapters.listen.SoundCards;
import tenterhook.core.listen.SoundOutput;
import tenterhook.core.listen.SoundOutputs;

class SilentOutputsTest {
  @Test
  void framesAreTakenNoFasterThanTheyAreHeard() throws Exception {
    SilentOutputs outputs = new SilentOutputs(4);
    float[] block = new float[2 * 4410];
    block[7] = -0.25f;
    try (SoundOutput output = outputs.open(SilentOutputs.NAME)) {
      for (int i = 0; i < 20; i++) {
        output.write(block, 4410);
        long waiting = 4410L * (i + 1) - output.heard();
        assertThat(waiting).isBetween(0L, 44_100L * 60 / 1000 + 4410);
      }
      assertThat(outputs.taken()).isEqualTo(88_200);
      assertThat(outputs.loudest()).isEqualTo(0.25f);
      assertThat(output.silent()).isTrue();
      output.flush();
      assertThat(output.heard()).isZero();
    }
  }

  @Test
  void aDeviceThatRanDryDoesNotCatchUp() throws Exception {
    try (SoundOutput output = new SilentOutputs(1).open("")) {
      output.write(new float[200], 100);
      Thread.sleep(50);
      assertThat(output.heard()).isEqualTo(100);
      long before = System.nanoTime();
      output.write(new float[8820], 4410);
      long heard = output.heard();
      double since = (System.nanoTime() - before) / 1e9 * 44_100;
      assertThat(heard - 100)
          .as("no more than since it was written")
          .isLessThanOrEqualTo((long) since + 1);
    }
  }

  @Test
  void theMachinesCardsAreListedOrThereAreNone() {
    SoundOutputs cards = new SoundCards();
    assertThat(cards.names()).doesNotContainNull().doesNotHaveDuplicates();
    assertThat(new SilentOutputs(1).names()).containsExactly(SilentOutputs.NAME);
  }
}
