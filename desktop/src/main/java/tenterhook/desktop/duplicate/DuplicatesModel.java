package tenterhook.desktop.duplicate;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import javafx.animation.PauseTransition;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import tenterhook.adapters.collection.MusicCollection;
import tenterhook.adapters.duplicate.CopySearch;
import tenterhook.adapters.duplicate.Resolving;
import tenterhook.adapters.state.CollectionState;
import tenterhook.core.change.Outcome;
import tenterhook.core.duplicate.Criteria;
import tenterhook.core.duplicate.Group;
import tenterhook.core.duplicate.Preferences;
import tenterhook.core.duplicate.SpareFate;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;
import tenterhook.desktop.theme.Words;
import tenterhook.desktop.workspace.Workspace;

/** Copies as the window sees them: what was found, by what it is judged, what was settled. */
public final class DuplicatesModel {
  /** By these, copies are told whatever the criteria. */
  private static final List<Field<?>> TELLING =
      List.of(Fields.CONTENT, Fields.SOUND, Fields.TITLE, Fields.DURATION, Fields.STATE);

  private final Workspace workspace;
  private final ReadOnlyObjectWrapper<List<Group>> groups = new ReadOnlyObjectWrapper<>(List.of());
  private Optional<Criteria> criteria = Optional.of(Criteria.USUAL);
  private SpareFate fate = new SpareFate.Hold();
  private CopySearch search = CopySearch.NONE;
  private Object heard = "";

  /** While nobody looks, groups are counted once edits rest. */
  private final PauseTransition hidden = new PauseTransition(Duration.seconds(2));

  private boolean staying;
  private @Nullable CollectionState foundIn;
  private List<Group> shown = List.of();
  private Runnable follower = () -> {};

  /** No group is known yet; {@link #begin} looks for them. */
  public DuplicatesModel(Workspace workspace) {
    this.workspace = workspace;
    hidden.setOnFinished(e -> refresh());
  }

  /** Finds the groups for the first time, and again whenever something changed. */
  public void begin() {
    workspace
        .state()
        .addListener(
            (o, before, after) -> {
              if (concerns(before.snapshot(), after.snapshot())) {
                hidden.playFromStart();
              }
            });
    GroupsWanted wanted = new GroupsWanted(search, criteria, staying);
    workspace.chore(
        Words.of("job.reading"), false, p -> wanted.found(workspace.collection()), this::show);
  }

  /** Whether anything changed by which copies are told apart; a rating is nothing of the kind. */
  private boolean concerns(Snapshot before, Snapshot after) {
    Stream<Field<?>> asked =
        criteria.stream().flatMap(c -> c.lines().stream()).map(line -> line.field());
    return !before.tracks().equals(after.tracks())
        || Stream.concat(TELLING.stream(), asked)
            .anyMatch(f -> before.column(f) != after.column(f));
  }

  /** The groups now, the strongest evidence first. */
  public ReadOnlyObjectProperty<List<Group>> groups() {
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
    CollectionState state = workspace.state().get();
    workspace.latestOnly(
        hidden,
        () -> newest(state),
        now -> {
          if (!now.equals(heard)) {
            heard = now;
            listen();
          }
        });
  }

  private void listen() {
    workspace.job(
        Words.of("duplicates.look"),
        true,
        p -> CopySearch.run(workspace.collection(), p),
        found -> {
          search = found;
          refresh();
        });
  }

  /** Changes when files came in or were measured. */
  private static Object newest(CollectionState state) {
    var snapshot = state.snapshot();
    return List.of(snapshot.tracks(), snapshot.tracks(id -> !snapshot.isBlank(id, Fields.SOUND)));
  }

  /** Works the groups out anew when tracks or crates are others than they were found in. */
  void followState() {
    CollectionState before = foundIn;
    CollectionState now = workspace.state().get();
    if (before == null
        || before.snapshot() != now.snapshot() // any field may tell which copy is the better one
        || before.crates() != now.crates()) {
      refresh();
    }
  }

  /** Works the groups out anew, beside the window. */
  void refresh() {
    hidden.stop();
    foundIn = workspace.state().get();
    GroupsWanted wanted = new GroupsWanted(search, criteria, staying);
    workspace.latestOnly(this, () -> wanted.found(workspace.collection()), this::show);
  }

  /** What groups are to be found by, of one moment. */
  private record GroupsWanted(CopySearch search, Optional<Criteria> criteria, boolean staying) {
    GroupsFound found(MusicCollection collection) {
      return new GroupsFound(
          search.groups(collection, criteria),
          staying ? search.staying(collection, criteria) : List.of(),
          staying);
    }
  }

  private void show(GroupsFound found) {
    groups.set(found.open());
    shown = found.settled() ? found.staying() : found.open();
    follower.run();
  }

  /** Groups to decide, and those that were settled, when they are asked for. */
  private record GroupsFound(List<Group> open, List<Group> staying, boolean settled) {}

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
