/**
 * Campaigns that try to lose music: kills and faults between file-system calls, damaged files,
 * random changes taken back in any order, two programs on the same files. Start at {@link
 * tenterhook.bench.loss.NothingLost}.
 */
@NullMarked
package tenterhook.bench.loss;

import org.jspecify.annotations.NullMarked;
