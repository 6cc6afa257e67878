/**
 * What the pen does in Trace, tool by tool, and what lies over the board for it. A hand gets samples from down to up and ends in one edit, or in none
 * when it is given up.
 */
package chalktrace.app.trace.tool;
