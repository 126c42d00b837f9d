/** FLAC files (RFC 9639). */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.tagfile.flac;
