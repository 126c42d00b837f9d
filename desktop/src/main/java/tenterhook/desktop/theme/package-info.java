/**
 * Palette, type and wording shared by all views. Start at {@link tenterhook.desktop.theme.Look}.
 */
@NullMarked
package tenterhook.desktop.theme;

import org.jspecify.annotations.NullMarked;
