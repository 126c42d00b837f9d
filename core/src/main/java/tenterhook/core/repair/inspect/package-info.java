/**
 * What inspectors share: what they are, what they may ask, and the keys of names. Knows no
 * inspector. Start at {@link tenterhook.core.repair.inspect.Inspector}.
 */
@NullMarked
package tenterhook.core.repair.inspect;

import org.jspecify.annotations.NullMarked;
