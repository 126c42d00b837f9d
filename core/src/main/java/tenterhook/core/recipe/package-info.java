/**
 * Changing many tracks by steps that stand one after the other. Start at {@link
 * tenterhook.core.recipe.Recipe}.
 */
@NullMarked
package tenterhook.core.recipe;

import org.jspecify.annotations.NullMarked;
