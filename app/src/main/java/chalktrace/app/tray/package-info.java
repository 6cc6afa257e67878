/** The panel at the right that serves the present step: the rows that features give it. */
package chalktrace.app.tray;
