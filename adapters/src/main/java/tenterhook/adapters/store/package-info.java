/**
 * The collection's database and its plain files (codebook and crates). Knows no music file. Start
 * at {@link tenterhook.adapters.store.Store}.
 */
@NullMarked
package tenterhook.adapters.store;

import org.jspecify.annotations.NullMarked;
