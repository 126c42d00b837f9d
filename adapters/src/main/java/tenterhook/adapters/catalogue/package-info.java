/**
 * Asks a catalogue service over HTTP, politely. Start at {@link
 * tenterhook.adapters.catalogue.CatalogueClient}.
 */
@NullMarked
package tenterhook.adapters.catalogue;

import org.jspecify.annotations.NullMarked;
