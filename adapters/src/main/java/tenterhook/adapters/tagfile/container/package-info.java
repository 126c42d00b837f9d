/** What the containers of all formats have in common: tags, sound, and how a change is written. */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.tagfile.container;
