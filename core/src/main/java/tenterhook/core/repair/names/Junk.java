package tenterhook.core.repair.names;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tenterhook.core.change.Edit.SetField;
import tenterhook.core.field.Field;
import tenterhook.core.field.FieldType;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.text.JunkText;

/**
 * Takes from names what says nothing about the music. Brackets that tell a version or a name stay;
 * only a bracket that holds nothing but phrases of the DJ's list, or an address, goes. A title is
 * cleaned to its end: once junk was taken from it, its own number and artist in front go as well.
 */
public final class Junk implements Inspector.TrackInspector {
  private static final List<Field<?>> FIELDS = Fields.with(Trait.NAME);

  /** Fields that are left empty when they hold an address and nothing else. */
  private static final List<Field<?>> EMPTIED = List.of(Fields.ALBUM, Fields.GENRE, Fields.LABEL);

  /** A number in front, with what sets it apart; the second group is what stands behind it. */
  private static final Pattern NUMBERED =
      Pattern.compile(
          "(?iu)^(?:(?:track|no\\.?|nr\\.?)\\s*|#)?[(\\[]?(\\d{1,3})(\\s*[-–—.:)\\]_]+\\s*|\\s+)(?=[\\p{L}(]|(?<=[-–—.:)\\]]\\s)\\d)");

  private static final Pattern MARKED = Pattern.compile("(?iu)^(?:track|no\\.?|nr\\.?|#|[(\\[]).*");
  private static final Pattern DASH = Pattern.compile("^\\s*[-–—]\\s*");

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    for (Field<?> field : FIELDS) {
      String before = context.raw(id, field);
      if (!before.isEmpty() && field != Fields.TITLE) {
        List<String> taken = new ArrayList<>();
        propose(id, Map.of(field, name(before, context, taken)), taken, context, out);
      }
    }
    title(id, context, out);
    for (Field<?> field : EMPTIED) {
      emptied(id, field, context, out);
    }
  }

  private static String name(String before, InspectionContext context, List<String> taken) {
    return FieldType.each(before, name -> JunkText.cleaned(name, context.rules().junk(), taken));
  }

  private static void title(int id, InspectionContext context, Consumer<Proposal> out) {
    List<String> taken = new ArrayList<>();
    Map<Field<?>, String> values = new LinkedHashMap<>();
    String now = context.raw(id, Fields.TITLE);
    String before;
    do {
      before = now;
      now = name(unnumbered(id, now, context, taken, values), context, taken);
      now = taken.isEmpty() ? now : withoutArtist(id, now, context, taken);
    } while (!now.equals(before));
    values.put(Fields.TITLE, now);
    propose(id, values, taken, context, out);
  }

  private static void emptied(
      int id, Field<?> field, InspectionContext context, Consumer<Proposal> out) {
    String before = context.raw(id, field);
    if (before.indexOf('.') < 0) {
      return;
    }
    boolean all = JunkText.ADDRESS.matcher(before.strip()).matches();
    List<String> taken = new ArrayList<>(all ? List.of("an address") : List.of());
    String after = all ? "" : name(before, context, taken);
    if (all || field == Fields.GENRE && !after.isBlank()) {
      propose(id, Map.of(field, after), taken, context, out);
    }
  }

  private static void propose(
      int id,
      Map<Field<?>, String> values,
      List<String> taken,
      InspectionContext context,
      Consumer<Proposal> out) {
    List<SetField> edits = context.edits(id, values);
    boolean nameless = values.containsKey(Fields.TITLE) && values.get(Fields.TITLE).isBlank();
    if (edits.isEmpty() || nameless) {
      return;
    }
    String what = taken.isEmpty() ? "blanks and empty brackets" : taken.getFirst();
    out.accept(
        new Proposal(
            RepairKind.JUNK,
            what + " in names",
            id,
            edits,
            taken.contains("numbering") ? 93 : 96,
            taken.isEmpty()
                ? "blanks, underscores and brackets that hold nothing"
                : "says nothing about the music: " + String.join(", ", taken)));
  }

  /**
   * A number in front goes when it is the track's own number and set apart: "3 Steps" may be a
   * name, "03 Steps", "3. Steps" and "Track 3 Steps" are none. Where the track has no number, one
   * that is filled up with zeros, set apart, and in front of the file's name as well becomes it.
   */
  private static String unnumbered(
      int id,
      String title,
      InspectionContext context,
      List<String> taken,
      Map<Field<?>, String> values) {
    boolean word = !title.isEmpty() && Character.isLetter(title.charAt(0));
    if (title.isEmpty()
        || word && "tTnN".indexOf(title.charAt(0)) < 0
        || word && !MARKED.matcher(title).matches()) {
      return title;
    }
    Matcher number = NUMBERED.matcher(title);
    if (!number.find()) {
      return title;
    }
    String said = number.group(1);
    boolean filled = said.startsWith("0");
    boolean marked = !number.group(2).isBlank();
    boolean apart = marked || filled || MARKED.matcher(title).matches();
    boolean hole = context.hole(id, Fields.TRACK);
    boolean own =
        hole
            ? filled && marked && context.snapshot().fileName(id).startsWith(said)
            : Agreement.same(Fields.TRACK, context.raw(id, Fields.TRACK), said, context);
    if (!apart || !own) {
      return title;
    }
    if (hole) {
      values.put(Fields.TRACK, String.valueOf(Integer.parseInt(said)));
    }
    taken.add("numbering");
    return title.substring(number.end());
  }

  private static String withoutArtist(
      int id, String title, InspectionContext context, List<String> taken) {
    String artist = context.raw(id, Fields.ARTIST);
    if (artist.isEmpty() || !title.regionMatches(true, 0, artist, 0, artist.length())) {
      return title;
    }
    String rest = title.substring(artist.length());
    Matcher dash = DASH.matcher(rest);
    if (!dash.find() || dash.end() == rest.length()) {
      return title;
    }
    taken.add("the artist in front");
    return rest.substring(dash.end());
  }
}
