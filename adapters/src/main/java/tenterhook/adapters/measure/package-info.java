/**
 * Measures the tracks of an open collection in the background and keeps what was found. It must not
 * know how anything is measured. Start at {@link tenterhook.adapters.measure.Measuring}.
 */
@NullMarked
package tenterhook.adapters.measure;

import org.jspecify.annotations.NullMarked;
