/**
 * Runs the inspectors over a collection and keeps their proposals in step with its changes. Start
 * at {@link tenterhook.core.repair.engine.Repairs}.
 */
@NullMarked
package tenterhook.core.repair.engine;

import org.jspecify.annotations.NullMarked;
