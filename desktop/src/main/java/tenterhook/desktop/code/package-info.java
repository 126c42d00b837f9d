/**
 * The coding station: codebook, strays, and codes by key. Start at {@link
 * tenterhook.desktop.code.CodingView}.
 */
@NullMarked
package tenterhook.desktop.code;

import org.jspecify.annotations.NullMarked;
