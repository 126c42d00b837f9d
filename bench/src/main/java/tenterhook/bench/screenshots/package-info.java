/** The pictures of the documentation, taken of the running program. */
@NullMarked
package tenterhook.bench.screenshots;

import org.jspecify.annotations.NullMarked;
