package tenterhook.core.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;

class ListenTest {
  @Test
  void levelsAreBroughtToOneLoudnessAndNeverOverTheCeiling() {
    assertThat(LevelRule.gainDb(Optional.of(-9.0), Optional.of(0.2))).isCloseTo(-9, within(1e-9));
    assertThat(LevelRule.gainDb(Optional.of(-24.0), Optional.of(-12.0))).isCloseTo(6, within(1e-9));
    assertThat(LevelRule.gainDb(Optional.of(-24.0), Optional.of(-3.0))).isCloseTo(2, within(1e-9));
    assertThat(LevelRule.gainDb(Optional.of(-24.0), Optional.of(0.5))).isZero();
    assertThat(LevelRule.gainDb(Optional.empty(), Optional.of(-3.0))).isZero();
  }

  @Test
  void whatIsHeardFollowsJumpsOnTheirWay() {
    Timeline timeline = new Timeline();
    timeline.restart(1000);
    timeline.wrote(500);
    timeline.jump(200);
    timeline.wrote(300);
    assertThat(timeline.at(0)).isEqualTo(1000);
    assertThat(timeline.at(499)).isEqualTo(1499);
    assertThat(timeline.at(500)).isEqualTo(200);
    assertThat(timeline.at(700)).isEqualTo(400);
    assertThat(timeline.at(9999)).isEqualTo(500);
    timeline.restart(7);
    assertThat(timeline.at(0)).isEqualTo(7);
    assertThat(timeline.written()).isZero();
  }

  @Test
  void aLoopThatRunsForAnHourIsStillFollowed() {
    Timeline timeline = new Timeline();
    timeline.restart(0);
    for (int i = 0; i < 5000; i++) {
      timeline.wrote(100);
      timeline.jump(50);
    }
    assertThat(timeline.at(timeline.written())).isEqualTo(50);
    assertThat(timeline.at(timeline.written() - 1)).isEqualTo(149);
  }
}
