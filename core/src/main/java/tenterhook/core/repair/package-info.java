/**
 * Proposed corrections: inspectors look at a snapshot and say what a field should hold, why, and
 * how sure that is. Nothing here alters anything: an accepted proposal becomes a {@link
 * tenterhook.core.change.Change}. Start at {@link tenterhook.core.repair.engine.Repairs}.
 */
@NullMarked
package tenterhook.core.repair;

import org.jspecify.annotations.NullMarked;
