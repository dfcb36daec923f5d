/** Pictures from streams and files, by a decoder that is a program of its own, so that what breaks it breaks nothing else. */
@org.jspecify.annotations.NullMarked
package choir.footage;
