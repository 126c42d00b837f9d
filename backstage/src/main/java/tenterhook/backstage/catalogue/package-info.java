/**
 * Asks a catalogue service over HTTP, politely. Start at {@link
 * tenterhook.backstage.catalogue.CatalogueClient}.
 */
@NullMarked
package tenterhook.backstage.catalogue;

import org.jspecify.annotations.NullMarked;
