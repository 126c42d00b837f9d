/** Files of chunks: WAV (RIFF, RF64 and BW64) and AIFF with AIFF-C. */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.tagfile.iff;
