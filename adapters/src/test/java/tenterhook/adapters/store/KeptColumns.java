package tenterhook.adapters.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import tenterhook.core.code.Codebook;
import tenterhook.core.derived.Derived;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.track.Snapshot;

/** What is kept beside a closed database must be what stands in it. */
public final class KeptColumns {
  private KeptColumns() {}

  /** Compares both in the folder of a collection that is not open. */
  public static void check(Path folder) throws CollectionRefused {
    Store store = Store.open(folder);
    Snapshot kept = store.cached().orElseThrow();
    Codebook book = store.document("codebook").map(CodebookJson::read).orElse(Codebook.EMPTY);
    Snapshot read = store.load();
    store.close(kept);
    Snapshot truth = Derived.refreshed(read, book, read.known());
    assertThat(kept.known()).isEqualTo(truth.known());
    assertThat(kept.tracks()).isEqualTo(truth.tracks());
    assertThat(kept.held()).isEqualTo(truth.held());
    for (Field<?> field : Fields.all()) {
      truth
          .known()
          .forEach(
              (int id) ->
                  assertThat(kept.raw(id, field)).as(field.key()).isEqualTo(truth.raw(id, field)));
    }
  }
}
