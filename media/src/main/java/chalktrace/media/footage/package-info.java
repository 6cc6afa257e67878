/**
 * Moving reference as pictures by number, whatever it is: video, a run of pictures, a still, a 3D preview. In go files; out come pictures, times, facts,
 * what is doubtful, small copies that are quicker to read, and where a file went that was moved. A kind of footage is one class in its list. Pictures
 * that were read are kept up to a limit.
 */
package chalktrace.media.footage;
