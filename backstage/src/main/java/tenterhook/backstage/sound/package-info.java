/**
 * Brings the samples of a music file in, block by block, through FFmpeg. It knows codecs and
 * containers; it must not know the collection. Start at {@link
 * tenterhook.backstage.sound.SoundFile}.
 */
@NullMarked
package tenterhook.backstage.sound;

import org.jspecify.annotations.NullMarked;
