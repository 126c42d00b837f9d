/**
 * Measures what an ear should not have to: loudness, tempo, key, passages, real quality, energy,
 * and the sound print that tells the same recording in other clothes. Pure computation on float
 * arrays, fed block by block, so that the length of a file does not matter. It must not know where
 * samples come from. Start at {@link tenterhook.core.measure.Measurer}.
 */
@NullMarked
package tenterhook.core.measure;

import org.jspecify.annotations.NullMarked;
