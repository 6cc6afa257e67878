/**
 * Sound as values. In go samples (-1 to 1, any rate); out come mixes, onsets, loudness, tempo, stretches and peaks for the eye. Times are seconds of the sound. Mixing
 * is exact to the sample, and the same whether it is heard or exported.
 */
package chalktrace.core.sound;
