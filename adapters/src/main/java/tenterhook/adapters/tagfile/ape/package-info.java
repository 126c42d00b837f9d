/** The tags of APEv1 and APEv2, which stand behind the sound of an mp3. */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.tagfile.ape;
