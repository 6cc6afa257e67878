/**
 * Models in space and their pictures. In go meshes, skins, poses, cameras and lights, in metres, y up, angles in degrees; out come pictures and stances. The shot's frame
 * alone says pose and camera, so that a frame looks the same in play, at rest and in an export.
 */
package chalktrace.core.space;
