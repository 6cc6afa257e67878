/**
 * Words that are said below the window: names of edits, reasons, what parts are called, in bundles that a translation stands beside; and sentences that may hold what
 * came from a file: short, plain, without control characters.
 */
package chalktrace.core.words;
