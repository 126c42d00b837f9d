/**
 * Which entry of a catalogue is a track: candidates, how sure each is, and why. Knows nothing of
 * how a catalogue is asked. Start at {@link tenterhook.core.catalogue.Matcher}.
 */
@NullMarked
package tenterhook.core.catalogue;

import org.jspecify.annotations.NullMarked;
