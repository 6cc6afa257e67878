/**
 * What the program keeps that is not part of a shot: preferences, log, folders of media that were allowed, words that were taught. Where it can not be
 * read, what a new program has holds, and the log says so.
 */
package chalktrace.app.state;
