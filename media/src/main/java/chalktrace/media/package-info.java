/**
 * What all that reads and writes files has in common: how far long work is, and that it may be cancelled; errors that name the file, what is wrong with
 * it and the mend; a file that appears whole under its name or not at all.
 */
package chalktrace.media;
