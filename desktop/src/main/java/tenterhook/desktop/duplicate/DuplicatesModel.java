package tenterhook.desktop.duplicate;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.animation.PauseTransition;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.util.Duration;
import tenterhook.adapters.duplicate.CopySearch;
import tenterhook.adapters.duplicate.Resolving;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Outcome;
import tenterhook.core.duplicate.Criteria;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Preferences;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.field.Fields;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Copies as the window sees them: what was found, by what it is judged, what was settled. */
final class DuplicatesModel {
  private final Workspace workspace;
  private final ReadOnlyObjectWrapper<List<Group>> groups = new ReadOnlyObjectWrapper<>(List.of());
  private Optional<Criteria> criteria = Optional.of(Criteria.USUAL);
  private SpareFate fate = new SpareFate.Hold();
  private CopySearch search = CopySearch.NONE;
  private Object heard = "";

  /** While nobody looks, groups are counted once edits rest. */
  private final PauseTransition hidden = new PauseTransition(Duration.seconds(2));

  private boolean staying;
  private List<Group> shown = List.of();
  private Runnable follower = () -> {};

  DuplicatesModel(Workspace workspace) {
    this.workspace = workspace;
    hidden.setOnFinished(e -> refresh());
    workspace.state().addListener((o, before, after) -> hidden.playFromStart());
    refresh();
  }

  /** The groups now, the strongest evidence first. */
  ReadOnlyObjectProperty<List<Group>> groups() {
    return groups.getReadOnlyProperty();
  }

  /** Calls the view whenever groups were worked out anew, even when they are the same. */
  void follow(Runnable view) {
    follower = view;
  }

  Optional<Criteria> criteria() {
    return criteria;
  }

  /** Compares tags by these criteria from now on, or not at all. */
  void criteria(Optional<Criteria> other) {
    criteria = other;
    refresh();
  }

  SpareFate fate() {
    return fate;
  }

  void fate(SpareFate other) {
    fate = other;
  }

  Preferences preferences() {
    return CopySearch.preferences(workspace.collection());
  }

  void preferences(Preferences order) {
    CopySearch.keep(workspace.collection(), order);
    refresh();
  }

  /** Reads and listens to what is new since the last time, as a job; then the groups follow. */
  void look() {
    Object now = newest(workspace.state().get());
    if (!now.equals(heard)) {
      heard = now;
      workspace.job(
          Words.of("duplicates.look"),
          true,
          p -> CopySearch.run(workspace.collection(), p),
          found -> {
            search = found;
            refresh();
          });
    }
  }

  /** Changes when files came in or were measured. */
  private static Object newest(CollectionState state) {
    var snapshot = state.snapshot();
    return List.of(
        snapshot.tracks(), snapshot.tracks(id -> !snapshot.raw(id, Fields.SOUND).isEmpty()));
  }

  /** Works the groups out anew, beside the window. */
  void refresh() {
    hidden.stop();
    CopySearch now = search;
    Optional<Criteria> by = criteria;
    boolean settled = staying;
    workspace.latestOnly(
        this,
        () ->
            new GroupsFound(
                now.groups(workspace.collection(), by),
                settled ? now.staying(workspace.collection(), by) : List.of()),
        found -> {
          groups.set(found.open());
          shown = settled ? found.staying() : found.open();
          follower.run();
        });
  }

  /** Groups to decide, and those that were settled, when they are asked for. */
  private record GroupsFound(List<Group> open, List<Group> staying) {}

  /** The groups to show: those to decide, or those that stay. */
  List<Group> shown() {
    return shown;
  }

  boolean staying() {
    return staying;
  }

  /** Shows what was settled to stay, or what is to be decided. */
  void staying(boolean settled) {
    staying = settled;
    refresh();
  }

  /** How alike two tracks sound, as found by their prints. */
  Optional<Double> likeness(int one, int other) {
    return search.sounds().stream()
        .filter(p -> p.one() == Math.min(one, other) && p.other() == Math.max(one, other))
        .map(p -> p.likeness().share())
        .findFirst();
  }

  /** Keeps one copy, as the DJ sees it before her. */
  void keep(Group group, int survivor, List<Integer> spares, Set<String> declined) {
    SpareFate now = fate;
    workspace.job(
        Words.of("duplicates.job"),
        false,
        p ->
            Resolving.one(
                workspace.collection(),
                Resolving.Wanted.of(group, survivor, spares),
                declined,
                now,
                true),
        workspace::told);
  }

  /** Settles that all of a group stay; can be taken back by {@link #noMore}. */
  void bothStay(Group group) {
    CopySearch.bothStay(workspace.collection(), group);
    refresh();
  }

  void noMore(Group group) {
    CopySearch.bothStayNoMore(workspace.collection(), group);
    refresh();
  }

  /** Resolves all groups that are beyond doubt. */
  void keepAll() {
    List<Group> all = groups.get();
    SpareFate now = fate;
    workspace.job(
        Words.of("duplicates.job"),
        true,
        p -> Resolving.all(workspace.collection(), all, now, p),
        this::resolved);
  }

  private void resolved(List<Outcome> outcomes) {
    int refused = outcomes.stream().mapToInt(o -> o.refused().size()).sum();
    String words = Words.of("duplicates.done", outcomes.size(), refused);
    long last = outcomes.isEmpty() || refused > 0 ? 0 : outcomes.getLast().number();
    workspace.frame().inform(words, refused > 0, last);
  }
}
