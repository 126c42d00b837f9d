/**
 * Music files with tags of every kind, written byte by byte from the published specifications by
 * code that shares nothing with the program's own, and what they mean beside them.
 */
@org.jspecify.annotations.NullMarked
package tenterhook.bench.corpus;
