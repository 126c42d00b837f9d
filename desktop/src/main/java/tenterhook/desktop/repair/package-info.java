/**
 * The station of proposed corrections: kinds, decisions, before and after, and what the catalogue
 * says. Start at {@link tenterhook.desktop.repair.RepairsView}.
 */
@NullMarked
package tenterhook.desktop.repair;

import org.jspecify.annotations.NullMarked;
