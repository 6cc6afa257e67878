/**
 * The open document and what goes on around it: edits, undo, previews, selection, background work, notices, keeping unsaved work, files. All of it lives
 * on the window's thread, but for what {@code Jobs} and {@code Keeping} run. {@code undo} after an edit gives the value before it; work in the
 * background changes the document only when what it read is unchanged.
 */
package chalktrace.app.kernel;
