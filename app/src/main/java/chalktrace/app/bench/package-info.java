/** The strips that run through the gate: lanes, their scale, what is painted on them and dragged. In play they are moved and not painted. */
package chalktrace.app.bench;
