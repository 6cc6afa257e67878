/**
 * 3D models of several formats as figures of {@code chalktrace.core.space}. In go files and what lies beside them; out come meshes, surfaces, skeletons
 * and motions in metres, Y up, and what the file has that is not shown. A file that is wrong is refused with the place in it; nothing outside its folder
 * is read.
 */
package chalktrace.media.model;
