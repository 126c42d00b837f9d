/**
 * What is on the disks and what is not: the search for lost files, files that nobody brought in,
 * playlists that point to nothing. Start at {@link tenterhook.backstage.lost.LostSearch}.
 */
@NullMarked
package tenterhook.backstage.lost;

import org.jspecify.annotations.NullMarked;
