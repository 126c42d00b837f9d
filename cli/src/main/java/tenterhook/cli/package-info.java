/**
 * The same work without a window: every station as a command, over the same core. JSON Lines on
 * standard output, messages on standard error. Start at {@link tenterhook.cli.TenterhookCommand}.
 */
@NullMarked
package tenterhook.cli;

import org.jspecify.annotations.NullMarked;
