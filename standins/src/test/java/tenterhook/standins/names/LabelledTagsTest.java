package tenterhook.standins.names;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tenterhook.core.repair.Proposal;
import tenterhook.core.track.Snapshot;
import tenterhook.standins.names.LabelledTags.Kind;
import tenterhook.standins.names.LabelledTags.Row;

/** What bulk takes, held against names of many languages, scripts and habits. */
class LabelledTagsTest {
  @ParameterizedTest
  @ValueSource(ints = {1, 2})
  void bulkMendsWhatIsWrongAndLeavesWhatIsMeant(int number) {
    LabelledTags set = LabelledTags.of(number);
    List<Proposal> certain = LabelledTags.inBulk(set.collection());
    Snapshot after = LabelledTags.taken(set.collection(), certain);
    List<Row> stay = set.rows().stream().filter(r -> r.kind() == Kind.MUST_STAY).toList();
    List<Row> mend = set.rows().stream().filter(r -> r.kind() == Kind.TO_MEND).toList();
    assertThat(stay).hasSizeGreaterThan(280);
    assertThat(mend).hasSizeGreaterThan(160);
    assertThat(stay).allMatch(row -> set.isRight(row, after));
    assertThat(mend).allMatch(row -> set.isRight(row, after));
    assertThat(set.judged(certain)).allMatch(set::isRight);
    assertThat(LabelledTags.inBulk(after)).as("a second pass").isEmpty();
  }
}
