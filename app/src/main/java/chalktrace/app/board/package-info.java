/**
 * Where one draws: the composed frame in tiles, seen from a viewpoint, and the tools in hand. In go the shown shot, the frame and the pen; out go
 * strokes to the tool in hand. Tiles are composed away from the window's thread, and shown together; while a line is drawn only what it touches is
 * composed.
 */
package chalktrace.app.board;
