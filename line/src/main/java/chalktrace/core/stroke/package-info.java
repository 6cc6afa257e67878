/**
 * The line from the pen to the outline. In go samples of a pen (px of the shot, 0 to 1 of pressure, nanoseconds); out come curves, and of curves outlines, hits and
 * cuts. A corner stays a corner, a bend stays round, and a line is the same whether it is drawn fast or slow, seen near or from afar. Cost: linear in the samples.
 */
package chalktrace.core.stroke;
