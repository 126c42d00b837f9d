/**
 * The frame that every station stands in: rail, jobs, messages, strip, keys. Start at {@link
 * tenterhook.desktop.shell.Shell}.
 */
@NullMarked
package tenterhook.desktop.shell;

import org.jspecify.annotations.NullMarked;
