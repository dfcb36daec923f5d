/** Whether what else happens when something moves was tried, and came. */
@org.jspecify.annotations.NullMarked
package choir.server.response;
