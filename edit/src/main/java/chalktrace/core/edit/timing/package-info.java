/**
 * Edits of frames, rates, showings, marks, cues and cycles. All that moves frames goes through {@code Shot.moved}, so that nothing that lies on a frame is
 * forgotten: frames that are put in and taken out again change nothing.
 */
package chalktrace.core.edit.timing;
