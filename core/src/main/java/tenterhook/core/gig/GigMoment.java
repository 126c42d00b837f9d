package tenterhook.core.gig;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.crate.CrateContents;
import tenterhook.core.crate.NeverPlay;
import tenterhook.core.crate.Rule;
import tenterhook.core.find.Condition;
import tenterhook.core.find.Subject;
import tenterhook.core.track.Snapshot;

/**
 * The collection as a gig meets it.
 *
 * @param contents of the crates at the same moment
 * @param away tracks on disks that are not there
 * @param never what the gig never plays
 * @param banned the tracks that this is
 * @param explicit the tracks with a code that speaks of explicit words
 * @param changed the tracks that are not as they were at the moment before, came or went
 * @param asksLike whether rules are answered as at the moment before but for the changed tracks
 */
record GigMoment(
    Snapshot snapshot,
    CrateContents contents,
    RoaringBitmap away,
    NeverPlay never,
    RoaringBitmap banned,
    RoaringBitmap explicit,
    RoaringBitmap changed,
    boolean asksLike) {
  private static final Pattern EXPLICIT =
      Pattern.compile("\\bexplicit\\b", Pattern.CASE_INSENSITIVE);

  static GigMoment first(Gig gig, Snapshot snapshot, CrateContents contents, RoaringBitmap away) {
    RoaringBitmap all = snapshot.tracks();
    return new GigMoment(
        snapshot,
        contents,
        away,
        gig.never(),
        contents.banned(gig.never(), all),
        explicit(contents, all),
        snapshot.known(),
        false);
  }

  GigMoment next(Gig gig, Snapshot after, CrateContents holding, RoaringBitmap nowAway) {
    RoaringBitmap others = after.changedSince(snapshot);
    others.or(RoaringBitmap.xor(away, nowAway));
    boolean alike = holding.asksLike(contents);
    boolean banAlike = alike && gig.never().equals(never);
    RoaringBitmap all = after.tracks();
    RoaringBitmap again = RoaringBitmap.and(all, others);
    RoaringBitmap bannedNow = holding.banned(gig.never(), banAlike ? again : all);
    RoaringBitmap explicitNow = explicit(holding, alike ? again : all);
    if (banAlike) {
      bannedNow.or(RoaringBitmap.andNot(banned, others));
    }
    if (alike) {
      explicitNow.or(RoaringBitmap.andNot(explicit, others));
    }
    return new GigMoment(
        after, holding, nowAway, gig.never(), bannedNow, explicitNow, others, alike);
  }

  /** Those with a code whose meaning speaks of explicit words; a set of its own. */
  private static RoaringBitmap explicit(CrateContents contents, RoaringBitmap of) {
    List<Condition.Value> codes =
        contents.codebook().facets().stream()
            .flatMap(f -> f.codes().stream())
            .filter(c -> EXPLICIT.matcher(c.meaning()).find())
            .<Condition.Value>map(c -> new Condition.Part(c.token()))
            .toList();
    return codes.isEmpty()
        ? new RoaringBitmap()
        : contents.finder().find(new Condition(Subject.Own.CODE, new Condition.AnyOf(codes)), of);
  }

  /**
   * What a rule brings in, whether it is ever played or not.
   *
   * @param before its answer at the moment before, if it was asked
   */
  RoaringBitmap found(Rule.RuleGroup rule, Optional<RoaringBitmap> before) {
    return before
        .filter(b -> asksLike)
        .map(b -> contents.found(rule, b, changed))
        .orElseGet(() -> contents.found(rule));
  }

  boolean playable(int id) {
    return snapshot.has(id) && !snapshot.lost(id) && !away.contains(id);
  }

  /** Those that can be played; a set of its own. */
  RoaringBitmap playable(RoaringBitmap of) {
    return RoaringBitmap.bitmapOf(of.stream().filter(this::playable).toArray());
  }
}
