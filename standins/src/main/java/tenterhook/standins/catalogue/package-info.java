/**
 * A catalogue service that ships with the program, since there is none outside that it may ask: it
 * knows the demo's recordings and thousands of made-up ones, near misses among them. Start at
 * {@link tenterhook.standins.catalogue.CatalogueService}.
 */
@NullMarked
package tenterhook.standins.catalogue;

import org.jspecify.annotations.NullMarked;
