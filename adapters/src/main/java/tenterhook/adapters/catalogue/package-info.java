/**
 * The catalogues that a collection asks: services over HTTP, files, folders of tagged music. Start
 * at {@link tenterhook.adapters.catalogue.CatalogueSources}.
 */
@NullMarked
package tenterhook.adapters.catalogue;

import org.jspecify.annotations.NullMarked;
