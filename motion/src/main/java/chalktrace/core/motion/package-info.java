/**
 * What moves in footage. In go pictures as lightness; out come paths of points with how sure each place is and where they are lost, particles, moving parts,
 * camera moves, and proposals (keys, contacts, turns) with their reasons. In a clip in which nothing moves nothing is proposed. A path that was put right by hand
 * keeps what was put. Times are of the source's pictures, never of the shot's frames. Constants that were fitted to measured clips stand in {@code StudySettings} and in
 * {@code PointTracker}.
 */
package chalktrace.core.motion;
