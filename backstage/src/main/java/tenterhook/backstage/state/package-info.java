/**
 * What an open collection is at one moment, with its places on the disks. Immutable. Start at
 * {@link tenterhook.backstage.state.CollectionState}.
 */
@NullMarked
package tenterhook.backstage.state;

import org.jspecify.annotations.NullMarked;
