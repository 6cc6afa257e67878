/** What adds something to the window: tools, looks, lanes, rows, keys, panes. A feature lies in a package that no other feature imports. */
package chalktrace.app.feature;
