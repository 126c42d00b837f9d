/**
 * Music and playlists on their way to another machine: files copied along under names that every
 * system takes, checked, stopped and continued; playlists beside them. Knows collections and disks;
 * never touches the music that is copied.
 */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.pack;
