package tenterhook.adapters.tagfile.vorbis;

import java.util.List;
import tenterhook.adapters.tagfile.tag.PlaceValues;
import tenterhook.adapters.tagfile.tag.Tag;
import tenterhook.core.field.Field;

/** A tag that is Vorbis comments, and what a container has beside them. */
public interface CommentTag extends Tag {
  /** The comments. */
  VorbisComment comment();

  @Override
  default String name() {
    return comment().name();
  }

  @Override
  default List<PlaceValues> held(Field<?> field) {
    return comment().held(field);
  }

  @Override
  default boolean canHold(Field<?> field) {
    return comment().canHold(field);
  }

  @Override
  default boolean holdsPictures() {
    return true;
  }
}
