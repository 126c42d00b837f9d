package tenterhook.desktop.control;

import org.jspecify.annotations.Nullable;
import org.roaringbitmap.RoaringBitmap;
import tenterhook.core.find.Finder;
import tenterhook.core.find.Query;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.workspace.TrackList;
import tenterhook.desktop.workspace.Workspace;

/**
 * What a query finds in a list. While somebody goes on typing, the last answer alone is searched.
 */
final class Narrowing {
  private final Workspace workspace;
  private Query answeredQuery = Query.ALL;
  private @Nullable Snapshot answered;
  private RoaringBitmap answer = new RoaringBitmap();

  Narrowing(Workspace workspace) {
    this.workspace = workspace;
  }

  /** Forgets the last answer, since the list is another. */
  void forget() {
    answered = null;
  }

  RoaringBitmap found(TrackList list, Query query, Snapshot snapshot) {
    RoaringBitmap scope = new RoaringBitmap();
    if (answered == snapshot && Finder.narrows(answeredQuery, query)) {
      scope.or(answer);
    } else {
      list.ids().forEach(scope::add);
    }
    answer = query.equals(Query.ALL) ? scope : workspace.contents().finder().find(query, scope);
    answered = snapshot;
    answeredQuery = query;
    return answer;
  }
}
