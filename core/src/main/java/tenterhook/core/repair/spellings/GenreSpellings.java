package tenterhook.core.repair.spellings;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.repair.inspect.NameKeys;

/**
 * Brings the spellings of one genre together, takes joined genres apart, and puts names in the
 * place of the numbers of the ID3v1 list. What the DJ settled once holds for later arrivals.
 */
public final class GenreSpellings implements Inspector.OfName {
  private static final Pattern NUMBER = Pattern.compile("\\(?(\\d{1,3})\\)?(.*)");
  private static final Pattern JOINT = Pattern.compile("\\s+/\\s+|\\s*[;|]\\s*|,\\s+");
  private static final String SEPARATOR = String.valueOf(FieldType.SEPARATOR);

  @Override
  public Field<?> field() {
    return Fields.GENRE;
  }

  @Override
  public Set<String> settled(InspectionContext context) {
    return Set.copyOf(context.codebook().genres().becomes().values());
  }

  /** Whether a value may mean something else than itself: it holds figures or a joint. */
  public static boolean several(String value) {
    for (int i = 0; i < value.length(); i++) {
      char c = value.charAt(i);
      if (c == '/' || c == ';' || c == '|' || c == ',' || c >= '0' && c <= '9') {
        return true;
      }
    }
    return false;
  }

  /** The genres that a value means: a number of the list means its name, a joint several. */
  public static List<String> parts(String value) {
    Matcher number = NUMBER.matcher(value.strip());
    if (number.matches()) {
      int place = Integer.parseInt(number.group(1));
      boolean alone = number.group(2).isBlank();
      if (place < ShortTagGenres.NAMES.size() && (alone || value.strip().startsWith("("))) {
        return List.of(alone ? ShortTagGenres.NAMES.get(place) : number.group(2).strip());
      }
    }
    if (!JOINT.matcher(value).find()) {
      return List.of(value);
    }
    return Arrays.stream(JOINT.split(value)).map(String::strip).filter(p -> !p.isEmpty()).toList();
  }

  @Override
  public void propose(
      int id,
      Map<String, Respelling> respellings,
      InspectionContext context,
      Consumer<Proposal> out) {
    Set<String> after = new LinkedHashSet<>();
    Set<String> decisions = new LinkedHashSet<>();
    Set<String> reasons = new LinkedHashSet<>();
    int certainty = 100;
    for (String value : NameKeys.values(context.snapshot(), id, Fields.GENRE)) {
      Respelling to = meant(value, respellings, context);
      after.addAll(List.of(to.after().split(SEPARATOR)));
      if (!to.after().equals(value)) {
        decisions.add(value.strip() + " → " + Fields.GENRE.type().show(to.after()));
        certainty = Math.min(certainty, to.certainty());
        reasons.add(to.reason());
      }
    }
    if (!decisions.isEmpty()) {
      out.accept(
          new Proposal(
              RepairKind.GENRES,
              String.join(", ", decisions),
              id,
              context.edits(id, Map.of(Fields.GENRE, String.join(SEPARATOR, after))),
              certainty,
              String.join("; ", reasons)));
    }
  }

  private static Respelling meant(
      String value, Map<String, Respelling> respellings, InspectionContext context) {
    Optional<String> settled = context.codebook().genres().settled(value);
    if (settled.isPresent()) {
      return new Respelling(last(settled.get(), respellings), 99, "settled by you");
    }
    List<String> parts = parts(value);
    Set<String> after = new LinkedHashSet<>();
    int certainty = 100;
    String reason = "";
    for (String part : parts) {
      Respelling to = respellings.get(part);
      after.add(
          context
              .codebook()
              .genres()
              .settled(part)
              .map(g -> last(g, respellings))
              .orElse(to == null ? part : to.after()));
      certainty = to == null ? certainty : Math.min(certainty, to.certainty());
      reason = to == null ? reason : to.reason();
    }
    if (parts.size() > 1) {
      certainty = Math.min(certainty, 92);
      reason = parts.size() + " genres joined in one";
    } else if (!parts.getFirst().equals(value)) {
      certainty = Math.min(certainty, 97);
      reason = "a number of the list of the ID3v1 tag";
    }
    return new Respelling(String.join(SEPARATOR, after), certainty, reason);
  }

  private static String last(String genre, Map<String, Respelling> respellings) {
    Respelling again = respellings.get(genre);
    return again == null ? genre : again.after();
  }
}
