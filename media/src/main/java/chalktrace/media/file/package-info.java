/**
 * The shot file and what is kept of a shot beside it. In go shots and paths; out come the file with its drawings as SVG, the journal of unsaved work,
 * the versions before saves, and shots again. What is written is read back as the same shot; fields and parts of a newer program are kept as they are;
 * whenever it is cut, the state before or the one after is whole. Drawings of other programs are read as far as they can be, and what was left out is
 * counted.
 */
package chalktrace.media.file;
