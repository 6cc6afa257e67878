/**
 * All threads that the program makes: work goes in by an executor or as a loop, and {@link chalktrace.core.work.Workers} knows which live, and ends them.
 * Law: whoever ends work never waits for it; the program's end does, once, for all, and not on the window's thread.
 */
package chalktrace.core.work;
