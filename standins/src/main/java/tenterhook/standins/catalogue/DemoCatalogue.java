package tenterhook.standins.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import tenterhook.core.catalogue.CatalogueBook;
import tenterhook.core.catalogue.CatalogueEntry;
import tenterhook.standins.demo.DemoRecordings;

/**
 * What the stand-in's service knows. An entry's id is {@code recording/release}: the same recording
 * stands there once for each release that it is on.
 */
public final class DemoCatalogue {
  private static final int MADE_UP = 3000;

  private DemoCatalogue() {}

  /**
   * The book that knows the demo of a size, and the made-up rest; always the same for that size.
   *
   * @param tracks the demo's size
   */
  public static CatalogueBook of(int tracks) {
    List<CatalogueEntry> all = new ArrayList<>(DemoRecordings.of(tracks));
    Random random = new Random(41);
    for (int i = 0; i < MADE_UP; i++) {
      all.add(MadeUp.recording(random, i));
    }
    List<CatalogueEntry> misses = new ArrayList<>();
    for (CatalogueEntry entry : all) {
      MadeUp.nearMisses(entry, random, misses::add);
    }
    all.addAll(misses);
    return CatalogueBook.of(all);
  }
}
