/**
 * What is said, and which mouth says it. In go a script and the sound of a voice; out come words and phones (ARPAbet without stress) with times and how sure they
 * are, and mouths. A script that is not what is said is refused, and not laid over it.
 */
package chalktrace.core.speech;
