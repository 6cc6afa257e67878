/**
 * Changes of the document. An {@link chalktrace.core.edit.Edit} is a function from shot to shot with a name for the list of undo; it gives back the same shot
 * where there is nothing to do, and throws {@link java.lang.IllegalArgumentException} with a sentence where it can't be made. {@code History} keeps earlier
 * shots: {@code undo(do(x))} is {@code x} itself.
 */
package chalktrace.core.edit;
