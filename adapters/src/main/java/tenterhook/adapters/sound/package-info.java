/**
 * Brings the samples of a music file in, block by block, through FFmpeg. It knows codecs and
 * containers; it must not know the collection. Start at {@link
 * tenterhook.adapters.sound.SoundFile}.
 */
@NullMarked
package tenterhook.adapters.sound;

import org.jspecify.annotations.NullMarked;
