/**
 * Pictures as values: planes of video with their matrix and range, light, and pixels; colours. In go planes as a decoder gives them; out come sRGB pixels, exact to
 * the published matrices. Nothing is decoded here, and nothing shown.
 */
package chalktrace.core.picture;
