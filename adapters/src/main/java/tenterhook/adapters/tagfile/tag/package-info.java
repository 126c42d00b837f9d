/**
 * What the tags of all formats have in common: entries that keep their bytes, the values of fields
 * that stand in them, and how texts, numbers, ratings, genres and comments are spelled there.
 */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.tagfile.tag;
