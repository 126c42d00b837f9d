package tenterhook.core.repair.names;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.text.JunkText;

/**
 * Fills artist, title and number from the file's name. The pattern is inferred: each is held
 * against what is known of the files in the folder, and only one that explains it is used. Where
 * the folder knows too little, a name that begins with an artist of the collection explains itself.
 * The certainty is the rule of succession, (agreed + 1) / (agreed + contradicted + 2) (Laplace
 * 1774).
 */
public final class FileNames implements Inspector.OfFolder {
  private static final int LEAST_AGREED = 2;

  /** An artist with so many tracks is no chance. */
  private static final int LEAST_KNOWN = 2;

  private static final Pattern IN_BRACKETS = Pattern.compile("^[(\\[](\\d{1,3})[)\\]]\\s*");

  /** What the files of a folder say about a pattern. */
  private static final class Agreeing {
    int agreed;
    int contradicted;

    int certainty() {
      return Math.min(97, Math.round(100f * (agreed + 1) / (agreed + contradicted + 2)));
    }

    boolean holds() {
      return agreed >= LEAST_AGREED && contradicted * 5 <= agreed;
    }
  }

  @Override
  public void inspect(Folder folder, InspectionContext context, Consumer<Proposal> out) {
    if (!worthwhile(folder, context)) {
      return;
    }
    Map<Integer, String> names = new LinkedHashMap<>();
    folder.ids().forEach((int id) -> names.put(id, baseName(context, id)));
    Map<NamePattern, Agreeing> votes = new LinkedHashMap<>();
    for (NamePattern pattern : NamePattern.IN_FILES) {
      Agreeing mine = new Agreeing();
      names.forEach((id, name) -> vote(id, name, pattern, mine, context));
      if (mine.holds()) {
        votes.put(pattern, mine);
      }
    }
    names.forEach((id, name) -> propose(id, name, votes, context, out));
  }

  private static void vote(
      int id, String name, NamePattern pattern, Agreeing votes, InspectionContext context) {
    Optional<Map<Field<?>, String>> read = pattern.read(name);
    if (read.isPresent()) {
      Agreement how = Agreement.of(id, read.get(), context);
      votes.agreed += how == Agreement.AGREES ? 1 : 0;
      votes.contradicted += how == Agreement.CONTRADICTS ? 1 : 0;
    }
  }

  private static boolean worthwhile(Folder folder, InspectionContext context) {
    return folder.ids().stream().anyMatch(id -> open(id, context));
  }

  private static boolean open(int id, InspectionContext context) {
    return context.hole(id, Fields.TITLE)
        || context.hole(id, Fields.ARTIST)
        || context.hole(id, Fields.TRACK);
  }

  /** The file's name without its ending; underscores stand for blanks where there are none. */
  static String baseName(InspectionContext context, int id) {
    String name = context.snapshot().fileName(id);
    int dot = name.lastIndexOf('.');
    String base = dot > 0 ? name.substring(0, dot) : name;
    String spaced = base.indexOf(' ') < 0 ? base.replace('_', ' ') : base;
    String plain = IN_BRACKETS.matcher(spaced).replaceFirst("$1 - ");
    return JunkText.cleaned(plain, context.rules().junk(), new ArrayList<>());
  }

  private static void propose(
      int id,
      String name,
      Map<NamePattern, Agreeing> votes,
      InspectionContext context,
      Consumer<Proposal> out) {
    if (!open(id, context)) {
      return;
    }
    NamePattern best = null;
    int bestScore = -1;
    for (Map.Entry<NamePattern, Agreeing> one : votes.entrySet()) {
      Optional<Map<Field<?>, String>> read = one.getKey().read(name);
      if (read.isPresent()) {
        Agreement how = Agreement.of(id, read.get(), context);
        int score = one.getValue().agreed + (how == Agreement.AGREES ? 1000 : 0);
        if (how != Agreement.CONTRADICTS && score > bestScore) {
          best = one.getKey();
          bestScore = score;
        }
      }
    }
    if (best != null) {
      byAgreement(id, best, best.read(name).orElseThrow(), votes.get(best), context).ifPresent(out);
    } else {
      byKnownArtist(id, name, context).ifPresent(out);
    }
  }

  private static Optional<Proposal> byKnownArtist(int id, String name, InspectionContext context) {
    for (NamePattern pattern : NamePattern.IN_FILES) {
      Optional<Map<Field<?>, String>> read = pattern.read(name);
      if (read.isPresent() && read.get().containsKey(Fields.ARTIST)) {
        String artist = read.get().get(Fields.ARTIST);
        int known = context.tracksBy(artist);
        boolean rival = context.tracksBy(read.get().get(Fields.TITLE)) > 0;
        if (known >= LEAST_KNOWN
            && !rival
            && Agreement.of(id, read.get(), context) != Agreement.CONTRADICTS) {
          String reason = known + " tracks by " + artist + ", with whom the file's name begins";
          int certainty = Math.min(96, 90 + known);
          return proposal(id, pattern, open(id, read.get(), context), certainty, reason, context);
        }
      }
    }
    return Optional.empty();
  }

  /** Of what a name says, what the track does not know. */
  private static Map<Field<?>, String> open(
      int id, Map<Field<?>, String> read, InspectionContext context) {
    Map<Field<?>, String> values = new LinkedHashMap<>(read);
    values.keySet().removeIf(field -> !context.hole(id, field));
    return values;
  }

  private static Optional<Proposal> byAgreement(
      int id,
      NamePattern pattern,
      Map<Field<?>, String> read,
      Agreeing votes,
      InspectionContext context) {
    Map<Field<?>, String> values = open(id, read, context);
    int certainty = votes.certainty();
    String reason =
        "“"
            + pattern.words()
            + "” explains "
            + votes.agreed
            + " known names here, "
            + (votes.contradicted == 0 ? "none speaks against it" : votes.contradicted + " do not");
    if (values.containsKey(Fields.ARTIST)) {
      int known = context.tracksBy(values.get(Fields.ARTIST));
      certainty = known > 0 ? Math.min(98, certainty + 4) : Math.min(certainty, 80);
      reason += known > 0 ? "; " + known + " tracks by this artist" : "; a new artist";
    }
    return proposal(id, pattern, values, certainty, reason, context);
  }

  private static Optional<Proposal> proposal(
      int id,
      NamePattern pattern,
      Map<Field<?>, String> values,
      int certainty,
      String reason,
      InspectionContext context) {
    List<SetField> edits = context.edits(id, values);
    String decision = "“" + pattern.words() + "” in file names";
    return edits.isEmpty()
        ? Optional.empty()
        : Optional.of(new Proposal(RepairKind.FILE_NAME, decision, id, edits, certainty, reason));
  }
}
