/** Inspectors of whole albums: what their tracks agree on, and what the catalogue knows of them. */
@NullMarked
package tenterhook.core.repair.album;

import org.jspecify.annotations.NullMarked;
