/**
 * What is computed from a track's other fields and kept in step with them: codes, strays, folder,
 * kind. Start at {@link tenterhook.core.derived.Derived}.
 */
@NullMarked
package tenterhook.core.derived;

import org.jspecify.annotations.NullMarked;
