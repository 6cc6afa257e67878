/**
 * The one renderer, for the screen, for exports and for tests. In go a shot, a frame and what is to be seen of it ({@code SceneOptions}); out come layers and tiles of
 * pixels. The same scene gives the same pixels, whatever was composed before, and in whatever tiles. What is kept between frames is found by identity of
 * the values, so that an edit need not tell.
 */
package chalktrace.core.render;
