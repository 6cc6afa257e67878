/**
 * What differs between two states of a shot, and edits that take it back. In go two shots; out come a list of what differs and edits. All that differs, taken back,
 * gives the earlier shot.
 */
package chalktrace.core.version;
