/**
 * The one executor: nobody else writes, moves or removes a user's file. It knows nothing of where
 * changes come from. Start at {@link tenterhook.backstage.execution.ChangeExecutor}, then {@link
 * tenterhook.backstage.disk.SafeFiles}.
 */
@NullMarked
package tenterhook.backstage.execution;

import org.jspecify.annotations.NullMarked;
