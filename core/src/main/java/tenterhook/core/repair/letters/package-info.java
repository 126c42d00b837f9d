/** Inspectors of letters: broken character sets, capital letters, machine-made text in comments. */
@NullMarked
package tenterhook.core.repair.letters;

import org.jspecify.annotations.NullMarked;
