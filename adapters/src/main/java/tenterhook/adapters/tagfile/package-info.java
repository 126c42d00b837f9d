/**
 * Music files on the disk: reading tags and technical data, writing tags, and the hash of what
 * sounds. Every reader is fenced, so that a bad file costs that file alone. Start at {@link
 * tenterhook.adapters.tagfile.TagFiles}.
 */
@NullMarked
package tenterhook.adapters.tagfile;

import org.jspecify.annotations.NullMarked;
