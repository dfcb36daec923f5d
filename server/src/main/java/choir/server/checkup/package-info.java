/** Whether all is well with the service itself. Each part of the house says how it is; here it is asked and told. */
@org.jspecify.annotations.NullMarked
package choir.server.checkup;
