/**
 * The collection's database and its plain files (codebook and crates). Knows no music file. Start
 * at {@link tenterhook.backstage.store.Store}.
 */
@NullMarked
package tenterhook.backstage.store;

import org.jspecify.annotations.NullMarked;
