/** What keys and pen buttons do: one list of actions, which key each has now, and what is run. A key does one thing; one that is taken is exchanged. */
package chalktrace.app.keys;
