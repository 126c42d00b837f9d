/**
 * Which tracks follow a track well, and why. It must not know how anything was measured. Start at
 * {@link tenterhook.core.goeswith.GoesWith}.
 */
@NullMarked
package tenterhook.core.goeswith;

import org.jspecify.annotations.NullMarked;
