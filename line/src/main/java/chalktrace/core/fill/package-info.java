/**
 * Areas. In go lines, or places within them, in shot px; out come contours and areas, with what leaks, at what gap. Areas are even-odd, in whole and half px of a
 * bitmap of the shot's size. Cost: of the pixels of the picture, and not of the number of lines.
 */
package chalktrace.core.fill;
