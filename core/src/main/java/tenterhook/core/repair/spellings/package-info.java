/** Inspectors of spellings: names that differ in case, accents or a slip of a letter; genres. */
@NullMarked
package tenterhook.core.repair.spellings;

import org.jspecify.annotations.NullMarked;
