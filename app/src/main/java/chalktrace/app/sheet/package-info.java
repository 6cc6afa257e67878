/** The exposure sheet in the board's place: frames down, levels across, filled in by keys. */
package chalktrace.app.sheet;
