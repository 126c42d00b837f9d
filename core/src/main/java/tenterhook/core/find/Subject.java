package tenterhook.core.find;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import tenterhook.core.code.Codebook;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;

/** What a condition asks about. */
public sealed interface Subject {
  /** The name in the find language, such as {@code year}. */
  String key();

  /** A subject that is neither a field nor a facet. */
  enum Own implements Subject {
    /** Codes of any facet. */
    CODE,
    /** Crates that hold the track. */
    CRATE,
    /** Shelves with a crate that holds the track. */
    SHELF,
    /** The tempo, counted half or double as well. */
    BEAT,
    /** The names and words of the track. */
    TEXT;

    @Override
    public String key() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /** A field of the catalogue. */
  record OfField(Field<?> field) implements Subject {
    @Override
    public String key() {
      return field.key();
    }
  }

  /**
   * A name that only a codebook can tell the meaning of: a facet, or else a field that gives way to
   * a facet of the same name ({@link Field#givesWay}).
   *
   * @param key as the codebook or the DJ spells it
   */
  record Named(String key) implements Subject {
    /** Checks that there is a name. */
    public Named {
      if (key.isBlank()) {
        throw new IllegalArgumentException("a condition needs a subject");
      }
    }
  }

  /**
   * The subject of a name.
   *
   * @param name in any case; one that nothing is called yet may be a facet of another codebook
   */
  static Subject named(String name) {
    Optional<Subject> own =
        Arrays.stream(Own.values())
            .filter(o -> o.key().equalsIgnoreCase(name))
            .<Subject>map(o -> o)
            .findFirst();
    return own.or(() -> Fields.named(name).filter(f -> !f.givesWay()).<Subject>map(OfField::new))
        .orElseGet(() -> new Named(name));
  }

  /**
   * The field whose values are compared.
   *
   * @return empty where codes, crates, shelves or words are asked for
   */
  default Optional<Field<?>> field(Codebook codebook) {
    return switch (this) {
      case OfField of -> Optional.of(of.field());
      case Named named ->
          codebook.facet(named.key()).isPresent() ? Optional.empty() : Fields.named(named.key());
      case Own.BEAT -> Optional.of(Fields.BPM);
      case Own.CODE, Own.CRATE, Own.SHELF, Own.TEXT -> Optional.empty();
    };
  }

  /** Whether codes are asked for: of any facet, or of one. */
  default boolean ofCodes(Codebook codebook) {
    return switch (this) {
      case Own.CODE -> true;
      case Named named -> field(codebook).isEmpty();
      case OfField of -> false;
      case Own.BEAT, Own.CRATE, Own.SHELF, Own.TEXT -> false;
    };
  }

  /** Whether a track may lack it: true but for crates, shelves and words. */
  default boolean canBeMissing() {
    return switch (this) {
      case Own.CRATE, Own.SHELF, Own.TEXT -> false;
      case Own.CODE, Own.BEAT -> true;
      case OfField of -> true;
      case Named named -> true;
    };
  }
}
