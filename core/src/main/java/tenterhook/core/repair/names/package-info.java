/**
 * Inspectors of names: artist and title joined in one field, names that the file or folder tells,
 * the form of versions, junk. Each is a class of its own and knows no other family.
 */
@NullMarked
package tenterhook.core.repair.names;

import org.jspecify.annotations.NullMarked;
