/** Colours, fonts and icons, in two looks. */
package chalktrace.app.theme;
