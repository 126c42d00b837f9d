/**
 * Finds copies in an open collection and resolves them by the one executor. It must not know how
 * copies are told. Start at {@link tenterhook.adapters.duplicate.CopySearch}.
 */
@NullMarked
package tenterhook.adapters.duplicate;

import org.jspecify.annotations.NullMarked;
