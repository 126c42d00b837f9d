/** Playlists on disk, in open formats. Start at {@link tenterhook.backstage.playlist.M3u8}. */
@NullMarked
package tenterhook.backstage.playlist;

import org.jspecify.annotations.NullMarked;
