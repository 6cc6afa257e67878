/**
 * What leaves the program: movies, pictures, the exposure sheet, the mix. In go a shot and a file; each exporter says what it is called and writes with
 * progress. What is composed is what the board shows without what belongs to working; a file appears whole or not at all.
 */
package chalktrace.media.export;
