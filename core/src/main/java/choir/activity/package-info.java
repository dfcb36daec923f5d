/** What a week of recording ought to have left, against what is there. */
@org.jspecify.annotations.NullMarked
package choir.activity;
