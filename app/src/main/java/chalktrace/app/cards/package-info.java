/** Cards that more than one step shows: findings, sounds. */
package chalktrace.app.cards;
