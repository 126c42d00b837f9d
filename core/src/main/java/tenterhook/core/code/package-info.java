/**
 * Codes: the codebook of facets and codes, and the notation in which they stand in a tag field.
 * Never touches the words of the DJ. Start at {@link tenterhook.core.code.Codebook}.
 */
@NullMarked
package tenterhook.core.code;

import org.jspecify.annotations.NullMarked;
