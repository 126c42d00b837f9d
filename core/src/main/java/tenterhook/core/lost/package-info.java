/**
 * Where lost files may have gone: candidates with certainty and reasons, and whole folders that
 * moved. Start at {@link tenterhook.core.lost.LostFinder}.
 */
@NullMarked
package tenterhook.core.lost;

import org.jspecify.annotations.NullMarked;
