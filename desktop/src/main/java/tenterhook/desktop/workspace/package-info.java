/**
 * What every station works with: the collection's state, jobs, changes, messages, the way to other
 * stations, and the models that several of them share. Start at {@link
 * tenterhook.desktop.workspace.Workspace}.
 */
@NullMarked
package tenterhook.desktop.workspace;

import org.jspecify.annotations.NullMarked;
