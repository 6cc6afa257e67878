/**
 * Open footage: for a frame of the shot its pictures at once if they are at hand, else as soon as they are read, with what stands in for them and what
 * is doubtful; proxies and thumbnails. It is asked and answers on the window's thread and reads elsewhere.
 */
package chalktrace.app.footage;
