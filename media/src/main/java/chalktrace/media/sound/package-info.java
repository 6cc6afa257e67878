/**
 * Sound files, and the devices that play and record, behind ports. Files are decoded to samples at one rate; where there is no device a silent,
 * simulated one keeps the time as a real one does.
 */
package chalktrace.media.sound;
