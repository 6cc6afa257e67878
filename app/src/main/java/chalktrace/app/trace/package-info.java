/** The step in which one draws: its tools, rows and keys, put together. */
package chalktrace.app.trace;
