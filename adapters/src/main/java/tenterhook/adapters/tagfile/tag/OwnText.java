package tenterhook.adapters.tagfile.tag;

import java.util.ArrayList;
import java.util.List;
import tenterhook.core.field.Field;
import tenterhook.core.field.Fields;
import tenterhook.core.text.MachineText;

/** Finds the DJ's own among texts of which only one is it, such as comments. */
public final class OwnText {
  private OwnText() {}

  /**
   * Whether of several texts only one is the field's, the others being somebody else's: comments
   * and lyrics, which stand beside others of other descriptions and languages.
   */
  public static boolean oneOfSeveral(Field<?> field) {
    return field == Fields.COMMENT || field == Fields.LYRICS;
  }

  /**
   * The place of the DJ's own among comments.
   *
   * @param texts in the order of the file
   * @return the first that no program left; -1 when there is none
   */
  public static int own(List<String> texts) {
    for (int i = 0; i < texts.size(); i++) {
      if (!texts.get(i).isEmpty() && !MachineText.isAll(texts.get(i))) {
        return i;
      }
    }
    return -1;
  }

  /**
   * Texts with the DJ's own replaced, and every copy of it; or put in front where there was none.
   *
   * @param texts in the order of the file
   * @param text the new one; empty takes the old one away
   */
  public static List<String> replaced(List<String> texts, String text) {
    List<String> next = new ArrayList<>(texts);
    int at = own(texts);
    String own = at < 0 ? "" : texts.get(at);
    if (text.isEmpty()) {
      next.removeIf(t -> t.equals(own) && at >= 0);
    } else if (at < 0) {
      next.addFirst(text);
    } else {
      next.replaceAll(t -> t.equals(own) ? text : t);
    }
    return next;
  }
}
