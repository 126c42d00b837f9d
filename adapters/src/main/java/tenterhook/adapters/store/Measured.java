package tenterhook.adapters.store;

import java.util.Optional;
import tenterhook.core.measure.Measurement;
import tenterhook.core.measure.Overview;
import tenterhook.core.measure.SoundPrint;

/**
 * What was measured, by the hash of what sounds: it survives moves and other tags, and is there at
 * once for a copy. Results of an older way of measuring count as not there.
 */
public final class Measured {
  private final Store store;

  /** The measurements in a store. */
  public Measured(Store store) {
    this.store = store;
  }

  /**
   * Keeps a measurement.
   *
   * @param sound the hash of what sounds
   * @throws StoreBroken when the database cannot be read or written
   */
  public void put(String sound, Measurement measurement) {
    store.update(
        "INSERT OR REPLACE INTO measured VALUES (?, ?, ?, ?, ?)",
        sound,
        Measurement.VERSION,
        MeasurementJson.write(measurement),
        measurement.overview().toBytes(),
        measurement.print().toBytes());
  }

  /**
   * The measurement of a sound, if it was measured.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public Optional<Measurement> of(String sound) {
    return one(
        sound,
        "numbers, overview, print",
        row ->
            MeasurementJson.read(
                row.getString(1),
                Overview.ofBytes(row.getBytes(2)),
                SoundPrint.ofBytes(row.getBytes(3))));
  }

  /**
   * Only the overview of a sound, for a waveform in a table.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public Optional<Overview> overview(String sound) {
    return one(sound, "overview", row -> Overview.ofBytes(row.getBytes(1)));
  }

  /**
   * Only the sound print of a sound.
   *
   * @throws StoreBroken when the database cannot be read or written
   */
  public Optional<SoundPrint> print(String sound) {
    return one(sound, "print", row -> SoundPrint.ofBytes(row.getBytes(1)));
  }

  private <T> Optional<T> one(String sound, String columns, Store.RowReader<T> row) {
    return store.first(
        "SELECT " + columns + " FROM measured WHERE sound = ? AND version = ?",
        row,
        sound,
        Measurement.VERSION);
  }
}
