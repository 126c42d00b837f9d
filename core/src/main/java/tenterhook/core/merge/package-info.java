/**
 * Three-way merging of values, by which an edit holds although something else of the same whole was
 * edited since. It knows nothing of what it merges. Start at {@link
 * tenterhook.core.merge.ThreeWay}.
 */
@NullMarked
package tenterhook.core.merge;

import org.jspecify.annotations.NullMarked;
