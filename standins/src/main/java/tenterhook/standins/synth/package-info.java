/**
 * Makes music out of nothing: recordings of known tempo, key, sections and loudness, drawn covers,
 * and files of every format. What it knows of a recording is the ground truth for measuring. Start
 * at {@link tenterhook.standins.synth.Recording}.
 */
@NullMarked
package tenterhook.standins.synth;

import org.jspecify.annotations.NullMarked;
