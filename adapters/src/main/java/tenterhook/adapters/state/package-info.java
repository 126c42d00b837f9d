/**
 * What an open collection is at one moment, with its places on the disks. Immutable. Start at
 * {@link tenterhook.adapters.state.CollectionState}.
 */
@NullMarked
package tenterhook.adapters.state;

import org.jspecify.annotations.NullMarked;
