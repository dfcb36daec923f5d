/** What recorders kept and saw, why, and what had to be kept and was not. All of it in true time and without a clock. */
@org.jspecify.annotations.NullMarked
package choir.activity;
