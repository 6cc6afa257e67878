/** Notes on frames, as a lane. */
package chalktrace.app.notes;
