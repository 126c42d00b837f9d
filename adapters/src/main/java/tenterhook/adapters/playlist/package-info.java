/** Playlists on disk, in open formats. Start at {@link tenterhook.adapters.playlist.M3u8}. */
@NullMarked
package tenterhook.adapters.playlist;

import org.jspecify.annotations.NullMarked;
