/** Files of MPEG audio: tags stand in front of the sound and behind it, several of each kind. */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.tagfile.mpeg;
