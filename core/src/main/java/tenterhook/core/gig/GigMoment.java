package tenterhook.core.gig;

import java.util.Optional;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.crate.Rule;
import tenterhook.core.track.Snapshot;

/**
 * The collection as a gig meets it.
 *
 * @param contents of the crates at the same moment
 * @param away tracks on disks that are not there
 * @param never what the gig never plays
 * @param banned the tracks that this is
 * @param changed the tracks that are not as they were at the moment before, came or went
 * @param asksLike whether rules are answered as at the moment before but for the changed tracks
 */
record GigMoment(
    Snapshot snapshot,
    CrateContents contents,
    RoaringBitmap away,
    NeverPlay never,
    RoaringBitmap banned,
    RoaringBitmap changed,
    boolean asksLike) {
  static GigMoment first(Gig gig, Snapshot snapshot, CrateContents contents, RoaringBitmap away) {
    RoaringBitmap banned = contents.banned(gig.never(), snapshot.tracks());
    return new GigMoment(snapshot, contents, away, gig.never(), banned, snapshot.known(), false);
  }

  GigMoment next(Gig gig, Snapshot after, CrateContents holding, RoaringBitmap nowAway) {
    RoaringBitmap others = after.changedSince(snapshot);
    others.or(RoaringBitmap.xor(away, nowAway));
    boolean alike = holding.asksLike(contents);
    RoaringBitmap there = after.tracks();
    RoaringBitmap bannedNow;
    if (alike && gig.never().equals(never)) {
      bannedNow = RoaringBitmap.andNot(banned, others);
      bannedNow.or(holding.banned(never, RoaringBitmap.and(there, others)));
    } else {
      bannedNow = holding.banned(gig.never(), there);
    }
    return new GigMoment(after, holding, nowAway, gig.never(), bannedNow, others, alike);
  }

  /**
   * What a rule brings in, whether it is ever played or not.
   *
   * @param before its answer at the moment before, if it was asked
   */
  RoaringBitmap found(Rule.RuleGroup rule, Optional<RoaringBitmap> before) {
    return before
        .filter(b -> asksLike)
        .map(b -> contents.found(rule, NeverPlay.NOTHING, b, changed))
        .orElseGet(() -> contents.found(rule, NeverPlay.NOTHING));
  }

  boolean playable(int id) {
    return snapshot.has(id) && !snapshot.lost(id) && !away.contains(id);
  }

  /** Those that can be played; a set of its own. */
  RoaringBitmap playable(RoaringBitmap of) {
    return RoaringBitmap.bitmapOf(of.stream().filter(this::playable).toArray());
  }
}
