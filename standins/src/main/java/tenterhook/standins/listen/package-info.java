/**
 * A sound card that is not there: it takes frames as fast as a real one would and is silent. Start
 * at {@link tenterhook.standins.listen.SilentOutputs}.
 */
@NullMarked
package tenterhook.standins.listen;

import org.jspecify.annotations.NullMarked;
