/**
 * Made-up tags of many languages and habits, of which it is known what must stay and what is wrong.
 */
@NullMarked
package tenterhook.standins.names;

import org.jspecify.annotations.NullMarked;
