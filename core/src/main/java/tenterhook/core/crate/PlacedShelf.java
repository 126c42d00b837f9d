package tenterhook.core.crate;

/**
 * A shelf where it stands.
 *
 * @param path from the top
 * @param shelf itself
 * @param never what is never played from it: its own list, and those of the shelves it stands in
 */
public record PlacedShelf(ShelfPath path, Shelf shelf, NeverPlay never) {}
