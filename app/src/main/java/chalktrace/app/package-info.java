/** The program: its start, and below it the window and the command line. */
package chalktrace.app;
