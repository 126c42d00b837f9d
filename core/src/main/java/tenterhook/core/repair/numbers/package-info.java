/** Inspectors of numbers: track and disc numbers, years, tempos, keys by sound. */
@NullMarked
package tenterhook.core.repair.numbers;

import org.jspecify.annotations.NullMarked;
