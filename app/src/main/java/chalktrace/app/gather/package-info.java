/** The step in which reference comes in: previews, cards of footage, the set-up of the shot. */
package chalktrace.app.gather;
