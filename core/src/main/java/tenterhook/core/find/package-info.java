/**
 * The find language: text to query, query to a set of tracks, and back to text. Shared by the find
 * field, rule crates and the command line. Start at {@link tenterhook.core.find.FindParser}.
 */
@NullMarked
package tenterhook.core.find;

import org.jspecify.annotations.NullMarked;
