/**
 * What is open, shared by all steps: document, view, play, footage, sound, work; taking files in, looking at them before, comparing, timing, where the
 * next stroke lands.
 */
package chalktrace.app.session;
