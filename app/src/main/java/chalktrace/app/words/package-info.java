/** What the program says, by keys, in bundles that a translation stands beside. */
package chalktrace.app.words;
