/**
 * What was measured, what waits, what failed, and what to do with the tempi and keys that were
 * found. Start at {@link tenterhook.desktop.measure.MeasuringView}.
 */
@NullMarked
package tenterhook.desktop.measure;

import org.jspecify.annotations.NullMarked;
