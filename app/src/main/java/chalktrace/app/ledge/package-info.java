/** The strip of tools right under the board: chalks, tools, what the one in hand can be set to, where the next stroke lands. */
package chalktrace.app.ledge;
