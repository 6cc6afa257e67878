/** 3D previews: posing, cameras, borrowed motion, their lane, rows and tool on the board. */
package chalktrace.app.space;
