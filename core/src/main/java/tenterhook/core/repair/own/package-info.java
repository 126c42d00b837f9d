/** Kinds of repairs that the DJ made out of recipes. */
@NullMarked
package tenterhook.core.repair.own;

import org.jspecify.annotations.NullMarked;
