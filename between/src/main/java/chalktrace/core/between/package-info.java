/**
 * Drawings between two others. In go two drawings, where on the way from one to the other they are wanted and how (arc, chart, what goes along); out come
 * the pairs of their strokes with how sure each is, and drafts of the drawings between. A draft at 0 and at 1 is the drawing that was given; what has no
 * partner is named and never dropped unsaid. Nothing here changes a shot.
 */
package chalktrace.core.between;
