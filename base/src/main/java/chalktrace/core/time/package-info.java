/**
 * Frames, rates and timecode as exact ratios, and how pictures of a source fall onto frames of a shot. A frame that is turned into seconds and back is the same frame,
 * at any rate and length. Timecode is that of SMPTE ST 12-1.
 */
package chalktrace.core.time;
