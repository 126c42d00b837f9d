/**
 * What alters the collection, as plain values that know their inverse. Nothing here writes
 * anything. Start at {@link tenterhook.core.change.Change}.
 */
@NullMarked
package tenterhook.core.change;

import org.jspecify.annotations.NullMarked;
