/**
 * Where the pen's samples come from: mouse, simulated pen, table of recorded strokes. Out come samples in order, each once, with the time at which the
 * hand was there and not that at which the window heard of it.
 */
package chalktrace.app.board.pen;
