/** A ruler on the board: a line over the picture that says how long it is and where it goes; it draws nothing. */
package chalktrace.app.ruler;
