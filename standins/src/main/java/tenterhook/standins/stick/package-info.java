/** A stick that can be told to be difficult. */
@NullMarked
package tenterhook.standins.stick;

import org.jspecify.annotations.NullMarked;
