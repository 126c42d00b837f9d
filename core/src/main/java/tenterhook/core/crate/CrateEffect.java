package tenterhook.core.crate;

import java.util.ArrayList;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.track.Snapshot;

/**
 * What a change does to a crate.
 *
 * @param crate its name
 * @param gains how many tracks come in
 * @param loses how many go out
 */
public record CrateEffect(String crate, int gains, int loses) {
  /**
   * What a change would do to every crate; those that stay as they are are left out.
   *
   * @param crates the shelves, which stay as they are
   * @param before their contents now
   * @param then the tracks with the change
   * @param changed the tracks that it concerns; only they are tested again
   */
  public static List<CrateEffect> of(
      Crates crates, CrateContents before, Snapshot then, RoaringBitmap changed) {
    crates.all().forEach(c -> before.members(c.name()));
    CrateContents after = before.after(then, changed);
    List<CrateEffect> effects = new ArrayList<>();
    for (Crate crate : crates.all()) {
      RoaringBitmap was = before.members(crate.name()).orElseThrow();
      RoaringBitmap is = after.members(crate.name()).orElseThrow();
      int gains = RoaringBitmap.andNot(is, was).getCardinality();
      int loses = RoaringBitmap.andNot(was, is).getCardinality();
      if (gains + loses > 0) {
        effects.add(new CrateEffect(crate.name(), gains, loses));
      }
    }
    return effects;
  }
}
