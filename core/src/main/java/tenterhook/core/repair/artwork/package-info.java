/** The inspector of covers. Start at {@link tenterhook.core.repair.artwork.CoverArt}. */
@NullMarked
package tenterhook.core.repair.artwork;

import org.jspecify.annotations.NullMarked;
