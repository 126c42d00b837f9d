package tenterhook.desktop.code;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.HashSet;
import java.util.Set;

/** How many tracks were coded since the desk was opened, and how long each took. */
final class Sitting {
  /** Who takes longer was away. */
  private static final Duration AWAY = Duration.ofMinutes(3);

  private final InstantSource clock;
  private final Set<Integer> tracks = new HashSet<>();
  private Instant last;
  private Duration spent = Duration.ZERO;

  Sitting(InstantSource clock) {
    this.clock = clock;
    this.last = clock.instant();
  }

  /** A track was left after it was coded. */
  void coded(int id) {
    Instant now = clock.instant();
    Duration taken = Duration.between(last, now);
    if (tracks.add(id) && taken.compareTo(AWAY) < 0) {
      spent = spent.plus(taken);
    }
    last = now;
  }

  int tracks() {
    return tracks.size();
  }

  /** Seconds for each track, 0 before the first. */
  double secondsEach() {
    return tracks.isEmpty() ? 0 : spent.toMillis() / 1000.0 / tracks.size();
  }
}
