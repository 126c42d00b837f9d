/** Parts of files as bytes: read within their bounds, and put in the place of others. */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.tagfile.bytes;
