/**
 * What is on the disks and what is not: the search for lost files, files that nobody brought in,
 * playlists that point to nothing. Start at {@link tenterhook.adapters.lost.LostSearch}.
 */
@NullMarked
package tenterhook.adapters.lost;

import org.jspecify.annotations.NullMarked;
