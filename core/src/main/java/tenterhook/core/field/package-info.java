/**
 * The hinge of the program: one catalogue of typed fields that columns, edit panel, find, crates
 * and the command line all read. Knows names, types and what counts as a hole; knows no track and
 * no file. Start at {@link tenterhook.core.field.Fields}.
 */
@NullMarked
package tenterhook.core.field;

import org.jspecify.annotations.NullMarked;
