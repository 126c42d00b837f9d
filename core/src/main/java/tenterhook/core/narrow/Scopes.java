package tenterhook.core.narrow;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.narrow.ColumnChoices.Tally;

/** The sets of tracks that one count looks at, and what was counted in them so far. */
final class Scopes {
  private final NarrowRequest request;
  private final Scope list;
  private final Scope remaining;

  /** Tracks among which values are counted, as a set and, once asked for, as an array. */
  static final class Scope {
    private final RoaringBitmap tracks;
    private final Map<ColumnChoices, Tally> tallies = new HashMap<>();
    private int @Nullable [] ids;

    Scope(RoaringBitmap tracks) {
      this.tracks = tracks;
    }

    RoaringBitmap tracks() {
      return tracks;
    }

    int[] ids() {
      int[] known = ids;
      if (known == null) {
        known = tracks.toArray();
        ids = known;
      }
      return known;
    }
  }

  /**
   * Where the values of a group are counted.
   *
   * @param let what other groups leave, without what this one shuts out
   * @param besides of these, what this group does not let in yet; the same while it lets in all
   * @param shut what would be there if this group shut nothing out
   */
  record OfGroup(Scope let, Scope besides, Scope shut) {}

  Scopes(NarrowRequest request) {
    this.request = request;
    this.list = new Scope(request.list());
    this.remaining =
        request.narrowings().isEmpty()
            ? list
            : new Scope(request.finder().find(request.narrowings().query(), request.list()));
  }

  /** The whole list. */
  Scope list() {
    return list;
  }

  OfGroup of(NarrowGroup group) {
    List<Narrowing> in = request.narrowings().of(group, false);
    List<Narrowing> out = request.narrowings().of(group, true);
    if (in.isEmpty() && out.isEmpty()) {
      return new OfGroup(remaining, remaining, remaining);
    }
    RoaringBitmap others =
        request.finder().find(request.narrowings().queryBut(group), request.list());
    RoaringBitmap allowed = minus(others, out);
    Scope let = new Scope(allowed);
    return in.isEmpty()
        ? new OfGroup(let, let, new Scope(others))
        : new OfGroup(let, new Scope(minus(allowed, in)), new Scope(found(in, others)));
  }

  private RoaringBitmap found(List<Narrowing> some, RoaringBitmap scope) {
    return request.finder().find(Narrowings.either(some), scope);
  }

  private RoaringBitmap minus(RoaringBitmap scope, List<Narrowing> some) {
    return some.isEmpty() ? scope : RoaringBitmap.andNot(scope, found(some, scope));
  }

  Tally tally(ColumnChoices column, Scope scope) {
    return scope.tallies.computeIfAbsent(column, c -> c.count(request.snapshot(), scope.ids()));
  }
}
