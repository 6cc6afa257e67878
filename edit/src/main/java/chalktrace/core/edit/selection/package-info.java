/**
 * What is selected on drawings, and edits of it. A {@code Pick} names strokes and areas by level, drawing and place in it; edits move, turn, scale, bend,
 * copy and carry it over frames. What is not selected is the same object afterwards.
 */
package chalktrace.core.edit.selection;
