/** The panel that edits one or many tracks. Start at {@link tenterhook.desktop.edit.EditPanel}. */
@NullMarked
package tenterhook.desktop.edit;

import org.jspecify.annotations.NullMarked;
