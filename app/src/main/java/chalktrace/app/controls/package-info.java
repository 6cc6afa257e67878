/**
 * Small parts of which trays and cards are made, that know nothing of a shot: buttons, rows, sliders, number fields, long lists; what keeps them up to
 * date.
 */
package chalktrace.app.controls;
