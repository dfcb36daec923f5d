/** Motion on pictures, as a pure computation: what moves, how much of what is watched, and when that is motion. */
@org.jspecify.annotations.NullMarked
package choir.motion;
