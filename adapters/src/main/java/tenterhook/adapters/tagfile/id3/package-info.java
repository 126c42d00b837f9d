/**
 * The tags of ID3: v1 and v1.1 behind the sound, and v2.2, v2.3 and v2.4 (id3.org, 1998 to 2000)
 * mostly in front of it. Frames keep their bytes; only those of a changed field are made anew.
 */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.tagfile.id3;
