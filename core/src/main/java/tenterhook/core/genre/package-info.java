/**
 * What the DJ settled about genres: which spelling becomes which genre, and which genre is part of
 * which. Start at {@link tenterhook.core.genre.Genres}.
 */
@NullMarked
package tenterhook.core.genre;

import org.jspecify.annotations.NullMarked;
