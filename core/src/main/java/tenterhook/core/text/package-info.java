/**
 * Text made comparable: folding of case, accents and compatibility forms. Start at {@link
 * tenterhook.core.text.Fold}.
 */
@NullMarked
package tenterhook.core.text;

import org.jspecify.annotations.NullMarked;
