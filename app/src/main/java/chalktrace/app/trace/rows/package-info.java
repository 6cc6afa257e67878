/** The rows of the tray in Trace: each shows something of the shot or of the work and changes it by an edit. */
package chalktrace.app.trace.rows;
