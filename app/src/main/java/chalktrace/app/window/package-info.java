/** The window as a whole: it puts the parts together, knows which features there are, and opens, saves and closes. */
package chalktrace.app.window;
