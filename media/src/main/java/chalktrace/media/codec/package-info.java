/**
 * Native decoders and encoders, and nothing else of them outside. In go files; out come their pictures by number with the times that they show, their
 * samples, and movies that are written. Picture n is the same picture in whatever order it is asked for; what is damaged is told for each picture that
 * leans on it; a file that can't be read is an error in words.
 */
package chalktrace.media.codec;
