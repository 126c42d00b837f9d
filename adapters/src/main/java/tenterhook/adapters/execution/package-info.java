/**
 * The one executor: nobody else writes, moves or removes a user's file. It knows nothing of where
 * changes come from. Start at {@link tenterhook.adapters.execution.ChangeExecutor}, then {@link
 * tenterhook.adapters.disk.SafeFiles}.
 */
@NullMarked
package tenterhook.adapters.execution;

import org.jspecify.annotations.NullMarked;
