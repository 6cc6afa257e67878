/**
 * Edits of what is on a drawing and of when drawings show. In go a level, a frame and strokes or areas; out comes an edit. A drawing that shows in several
 * places changes in all of them, unless the edit says that it makes an own copy.
 */
package chalktrace.core.edit.drawing;
