/** The model of motion and what devices hold: what a camera's settings come to on pictures, and what else it could hold. */
@org.jspecify.annotations.NullMarked
package choir.trial;
