/** When and where something moved, looked for in what recorders have kept. */
@org.jspecify.annotations.NullMarked
package choir.server.search;
