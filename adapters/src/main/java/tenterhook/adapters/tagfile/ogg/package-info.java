/**
 * Ogg files (RFC 3533) of Vorbis (Vorbis I, 5), Opus (RFC 7845), FLAC (RFC 9639, 10.1) and Speex,
 * alone, chained or among other streams.
 */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.tagfile.ogg;
