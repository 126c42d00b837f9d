package tenterhook.bench.loss;

import static org.assertj.core.api.Assertions.assertThatCode;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A few rounds of every campaign, in every build; the long ones are run by hand. */
class NothingLostTest {
  @TempDir Path folder;

  @Test
  void aFewRoundsLoseNothing() {
    assertThatCode(() -> NothingLost.run(folder, 10, 300, 240, 20, 7)).doesNotThrowAnyException();
  }
}
