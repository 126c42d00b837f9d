/**
 * The codebook as a legend for people: a table to be edited elsewhere, and pages to keep by the
 * decks. Knows the forms on disk; what a codebook may hold is for core to say.
 */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.code;
