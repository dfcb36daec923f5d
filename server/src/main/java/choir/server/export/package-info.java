/** Tables of what is known, in open forms, for programs that look at years of a large fleet. */
@org.jspecify.annotations.NullMarked
package choir.server.export;
