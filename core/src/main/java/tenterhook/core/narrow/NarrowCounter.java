package tenterhook.core.narrow;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Field;
import tenterhook.core.narrow.NarrowCounts.GroupCounts;

/**
 * Counts for every value that a list can be narrowed to how many tracks would remain. A group is
 * counted among what the other groups leave, so that a second value of it can be weighed; the
 * tracks of a group from which nothing is chosen are the same for all such groups, and are counted
 * once for each column. Keeps what it learnt of distinct values; one for each codebook. May be
 * asked by several threads.
 */
public final class NarrowCounter {
  private final Codebook codebook;
  private final List<NarrowGroup> groups;
  private final Map<Field<?>, ColumnChoices> columns;

  /**
   * A counter.
   *
   * @param codebook the legend, whose facets are groups
   */
  public NarrowCounter(Codebook codebook) {
    this.codebook = codebook;
    this.groups = NarrowGroup.all(codebook);
    this.columns = ChoiceReaders.all(codebook);
  }

  /** The legend that it counts by. */
  public Codebook codebook() {
    return codebook;
  }

  /** Counts all groups. */
  public NarrowCounts count(NarrowRequest request) {
    Scopes scopes = new Scopes(request);
    List<GroupCounts> counts =
        groups.stream()
            .map(g -> new GroupCount(request, scopes, codebook, g, column(g)).counts())
            .flatMap(Optional::stream)
            .toList();
    return new NarrowCounts(counts);
  }

  private Optional<ColumnChoices> column(NarrowGroup group) {
    return ChoiceReaders.field(group).map(columns::get);
  }
}
