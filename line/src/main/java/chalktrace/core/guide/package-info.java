/**
 * Lines of the set-up that help to draw and are never handed on, and rails: the way that a hand is led along one. In go places in shot px; out come places on the
 * rail. A place on the rail stays where it is.
 */
package chalktrace.core.guide;
