/**
 * Edits of words, phones, script and mouths. Mouths that follow words are set anew with these; those that were set by hand stay. Out come edits, and what the
 * alignment found for a person to look at.
 */
package chalktrace.core.edit.speech;
