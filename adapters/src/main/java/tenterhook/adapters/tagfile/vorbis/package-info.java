/** Vorbis comments, as FLAC and Ogg files have them, and the pictures that go with them. */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.tagfile.vorbis;
