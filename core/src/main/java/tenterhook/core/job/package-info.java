/**
 * Long work as a value that can be watched and stopped. Start at {@link
 * tenterhook.core.job.Progress}.
 */
@NullMarked
package tenterhook.core.job;

import org.jspecify.annotations.NullMarked;
