package tenterhook.core.duplicate;

import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.measure.MeasuredFields;
import tenterhook.core.track.Snapshot;

/**
 * One line of the order in which copies are preferred; the first that tells the best apart decides.
 *
 * @param kind what counts
 * @param argument a root's or a format's name for the kinds that need one, else empty
 */
public record Preference(Criterion kind, String argument) {
  private static final double UNKNOWN = Double.NEGATIVE_INFINITY;

  /** What a lossless file is worth. */
  private static final double LOSSLESS_KBPS = 1_000;

  /** What systems and people add to the name of a copy. */
  private static final Pattern A_COPY =
      Pattern.compile(
          "(?i)\\s*\\(\\d{1,2}\\)$|[ _-]+(?:copy|kopie|copie|copia)[ _]*\\(?\\d*\\)?$|^copy of ");

  private static final List<Field<?>> COUNTED =
      Fields.inFile().stream().filter(f -> f.editable() && !f.is(Trait.LONG)).toList();

  /** What can make one copy better than another. */
  public enum Criterion {
    /** A guarded file before others. */
    GUARDED("guarded"),
    /** Lossless formats before lossy ones. */
    LOSSLESS("lossless before lossy"),
    /** What the sound is worth by measurement, not by what the file claims. */
    QUALITY("better measured quality"),
    /** More bits a second; lossless files count alike, however well they are packed. */
    BITRATE("higher bit rate"),
    /** A longer file. */
    LONGEST("longer"),
    /** One with a cover. */
    ARTWORK("has artwork"),
    /** More fields that are not empty. */
    FIELDS("more fields filled"),
    /** More plays. */
    PLAYS("more plays"),
    /** In more crates that are filled by hand. */
    CRATES("in more crates"),
    /** Known for longer. */
    OLDEST("longest in the collection"),
    /** Known for the shortest time. */
    NEWEST("newest in the collection"),
    /** Not named as a copy, and in fewer folders. */
    PLAIN_NAME("plainer name and place"),
    /** Below one root. */
    ROOT("under"),
    /** Of one format. */
    FORMAT("in the format");

    private final String words;

    Criterion(String words) {
      this.words = words;
    }
  }

  /** A preference without an argument. */
  public static Preference of(Criterion kind) {
    return new Preference(kind, "");
  }

  /** Checks. */
  public Preference {
    boolean needs = kind == Criterion.ROOT || kind == Criterion.FORMAT;
    if (needs == argument.isEmpty()) {
      throw new IllegalArgumentException(
          needs ? kind.words + " needs a name" : kind.words + " takes no name");
    }
  }

  /** In words. */
  public String words() {
    return argument.isEmpty() ? kind.words : kind.words + " " + argument;
  }

  /**
   * What a copy is worth by this line alone; more is better. What is not known is worth least.
   *
   * @param id a track
   */
  double worth(PreferenceContext context, int id) {
    Snapshot snapshot = context.snapshot();
    return switch (kind) {
      case GUARDED -> flag(!snapshot.raw(id, Fields.GUARDED).isEmpty());
      case LOSSLESS -> flag(MeasuredFields.lossless(snapshot, id));
      case QUALITY -> quality(snapshot, id);
      case BITRATE -> bitRate(snapshot, id);
      case LONGEST -> Math.floor(snapshot.value(id, Fields.DURATION).orElse(-1.0));
      case ARTWORK -> flag(!snapshot.raw(id, Fields.ARTWORK).isEmpty());
      case FIELDS -> COUNTED.stream().filter(f -> !snapshot.raw(id, f).isBlank()).count();
      case PLAYS -> snapshot.value(id, Fields.PLAYS).orElse(0);
      case CRATES -> context.crates().getOrDefault(id, 0);
      case OLDEST -> -added(snapshot, id, Double.POSITIVE_INFINITY);
      case NEWEST -> added(snapshot, id, UNKNOWN);
      case PLAIN_NAME -> plainName(snapshot, id);
      case ROOT -> flag(snapshot.raw(id, Fields.ROOT).equals(argument));
      case FORMAT -> flag(snapshot.raw(id, Fields.CODEC).equalsIgnoreCase(argument));
    };
  }

  private static double flag(boolean on) {
    return on ? 1 : 0;
  }

  /** In kbps: what a measurement says it sounds like, else what an honest file of its kind has. */
  private static double quality(Snapshot snapshot, int id) {
    if (snapshot.raw(id, Fields.SOUND).isEmpty()) {
      return UNKNOWN;
    }
    double claimed =
        MeasuredFields.lossless(snapshot, id)
            ? LOSSLESS_KBPS
            : snapshot.value(id, Fields.BITRATE).orElse(0L);
    return snapshot.raw(id, Fields.QUALITY).equals("upscaled")
        ? snapshot.value(id, Fields.REAL_KBPS).orElse(0L)
        : claimed;
  }

  private static double bitRate(Snapshot snapshot, int id) {
    return MeasuredFields.lossless(snapshot, id)
        ? LOSSLESS_KBPS
        : snapshot.value(id, Fields.BITRATE).map(b -> (double) b).orElse(UNKNOWN);
  }

  /** Copies last, then by how many folders a file lies in. */
  private static double plainName(Snapshot snapshot, int id) {
    String name = snapshot.fileName(id);
    int dot = name.lastIndexOf('.');
    boolean copy = A_COPY.matcher(dot > 0 ? name.substring(0, dot) : name).find();
    long folders = snapshot.raw(id, Fields.PATH).chars().filter(c -> c == '/').count();
    return -(copy ? 1_000 : 0) - folders;
  }

  /** In days. */
  private static double added(Snapshot snapshot, int id, double unknown) {
    double days = Fields.ADDED.type().number(snapshot.raw(id, Fields.ADDED));
    return Double.isNaN(days) ? unknown : Math.floor(days);
  }

  /** Reads what {@link #toString} writes. */
  static Preference parse(String text) {
    int colon = text.indexOf(':');
    String name = colon < 0 ? text : text.substring(0, colon);
    return new Preference(
        Criterion.valueOf(name.strip().toUpperCase(Locale.ROOT)),
        colon < 0 ? "" : text.substring(colon + 1));
  }

  @Override
  public String toString() {
    String name = kind.name().toLowerCase(Locale.ROOT);
    return argument.isEmpty() ? name : name + ":" + argument;
  }
}
