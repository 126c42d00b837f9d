package tenterhook.adapters.tagfile;

/**
 * What a file says, and by what it is recognised.
 *
 * @param reading its values
 * @param seal {@link AudioPayload.Seal#NONE} where nothing sounds
 */
public record SealedReading(Reading reading, AudioPayload.Seal seal) {}
