/** Pen tablets as Linux tells of them, read beside the window: pressure, place, buttons, eraser. Where none may be read it says so, and the mouse draws. */
package chalktrace.app.board.pen.tablet;
