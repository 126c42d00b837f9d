/** MP4 files: boxes of the ISO base media file format (ISO 14496-12) with items of metadata. */
@org.jspecify.annotations.NullMarked
package tenterhook.adapters.tagfile.mp4;
