/**
 * Keeps the proposals of an open collection in step, with what inspectors know beside the tracks:
 * the DJ's rules, pictures in folders, answers of the catalogue. Start at {@link
 * tenterhook.adapters.repair.RepairService}.
 */
@NullMarked
package tenterhook.adapters.repair;

import org.jspecify.annotations.NullMarked;
