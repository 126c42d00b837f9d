/**
 * What listening needs of a sound device, and where in a track what is heard belongs. It must not
 * know files or cards. Start at {@link tenterhook.core.listen.SoundOutput}.
 */
@NullMarked
package tenterhook.core.listen;

import org.jspecify.annotations.NullMarked;
