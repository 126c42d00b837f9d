package tenterhook.adapters.tagfile.iff;

import tenterhook.adapters.tagfile.tag.Tag;

/**
 * A tag and the chunk that it is all the content of.
 *
 * @param tag the tag
 * @param chunk the chunk
 */
record ChunkTag(Tag tag, Chunk chunk) {}
