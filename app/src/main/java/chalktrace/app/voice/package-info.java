/** The step of words, mouths and cues: their lanes and rows, alignment and recording as background work. */
package chalktrace.app.voice;
