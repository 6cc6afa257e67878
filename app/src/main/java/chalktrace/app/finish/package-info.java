/** The step in which the work is checked and handed on: findings, exports as background work. */
package chalktrace.app.finish;
