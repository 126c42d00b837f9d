package tenterhook.core.repair.letters;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.apache.commons.text.StringEscapeUtils;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.field.Trait;
import tenterhook.core.repair.Proposal;
import tenterhook.core.repair.RepairKind;
import tenterhook.core.repair.inspect.InspectionContext;
import tenterhook.core.repair.inspect.Inspector;
import tenterhook.core.text.CodePages;

/**
 * Mends text that was read with a wrong character set. The proof is that it can be turned back to
 * bytes and read again without a single error; plain ASCII is never touched.
 */
public final class BrokenLetters implements Inspector.TrackInspector {
  private static final List<Field<?>> FIELDS = Fields.with(Trait.REPAIRABLE);

  /** What cannot be seen and joins nothing; joiners belong to other scripts and to emoji. */
  private static final String HIDDEN =
      "[\\u200B\\u200E\\u200F\\u202A-\\u202E\\u2060\\uFEFF\\u00AD]|[\\u0001-\\u0008\\u000B-\\u001F\\u007F]"
          + "|(?<=\\p{ASCII})[\\u200C\\u200D]|[\\u200C\\u200D](?=\\p{ASCII}|$)";

  /** A blank that keeps words together; before signs and in French quotes it is good typography. */
  private static final String KEPT_TOGETHER = "(?<!«)\\u00A0+(?![?!:;»])";

  /** A text after mending, and what was wrong with it. */
  private record Mended(String text, String wrong, int certainty) {}

  @Override
  public void inspect(int id, InspectionContext context, Consumer<Proposal> out) {
    for (Field<?> field : FIELDS) {
      String before = context.raw(id, field);
      if (!plain(before)) {
        mended(before)
            .ifPresent(
                m ->
                    out.accept(
                        new Proposal(
                            RepairKind.BROKEN_LETTERS,
                            m.wrong(),
                            id,
                            context.edits(id, Map.of(field, m.text())),
                            m.certainty(),
                            m.wrong())));
      }
    }
  }

  private static boolean plain(String text) {
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (c > 126 || c == '&' || c > 0 && c < ' ') {
        return false;
      }
    }
    return true;
  }

  private static Optional<Mended> mended(String text) {
    String now = text;
    String wrong = "";
    int certainty = 100;
    Optional<Mended> again = reread(now);
    for (int round = 0; again.isPresent() && round < 3; round++) {
      now = again.get().text();
      wrong = again.get().wrong();
      certainty = Math.min(certainty, again.get().certainty());
      again = reread(now);
    }
    String entities = StringEscapeUtils.unescapeHtml4(now);
    if (!entities.equals(now)) {
      wrong = wrong.isEmpty() ? "web entities in place of letters" : wrong;
      certainty = Math.min(certainty, 97);
      now = entities;
    }
    String visible = now.replaceAll(HIDDEN, "").replaceAll(KEPT_TOGETHER, " ");
    if (!visible.equals(now)) {
      wrong = wrong.isEmpty() ? "characters that cannot be seen" : wrong;
      certainty = Math.min(certainty, 99);
      now = visible;
    }
    String joined = Normalizer.normalize(now, Normalizer.Form.NFC);
    if (!joined.equals(now)) {
      wrong = wrong.isEmpty() ? "accents apart from their letters" : wrong;
      certainty = Math.min(certainty, 99);
      now = joined;
    }
    return now.equals(text) || now.isBlank()
        ? Optional.empty()
        : Optional.of(new Mended(now, wrong, certainty));
  }

  private static Optional<Mended> reread(String text) {
    for (Charset as : List.of(CodePages.WESTERN, StandardCharsets.ISO_8859_1)) {
      Optional<String> utf8 = CodePages.recoded(text, as, StandardCharsets.UTF_8);
      if (utf8.isPresent()) {
        return Optional.of(
            new Mended(
                utf8.get(), "read as Western letters, was UTF-8; proved by the way back", 98));
      }
    }
    return CodePages.otherScript(text)
        .map(
            r -> new Mended(r.text(), "read as Western letters, was " + r.script(), r.certainty()));
  }
}
