/**
 * The listening strip: play, see and jump within the chosen track, from every station. Start at
 * {@link tenterhook.desktop.workspace.Listening}.
 */
@NullMarked
package tenterhook.desktop.listen;

import org.jspecify.annotations.NullMarked;
