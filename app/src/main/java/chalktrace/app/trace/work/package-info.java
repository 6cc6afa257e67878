/**
 * What Trace does beyond single strokes: selecting, filling, in-betweens, edges of the picture, drawings in and out, going on to the next. It knows the
 * document and no nodes of the window.
 */
package chalktrace.app.trace.work;
