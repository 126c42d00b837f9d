/**
 * Benchmarks: each figure beside a baseline measured in the same run. Not shipped, and not run by
 * the build. Start at {@link tenterhook.bench.LargeCollection}.
 */
@NullMarked
package tenterhook.bench;

import org.jspecify.annotations.NullMarked;
