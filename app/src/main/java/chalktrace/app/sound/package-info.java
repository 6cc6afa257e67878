/**
 * What is heard: the sounds of the shot as they are opened, the clock of play, recording. Picture follows the device's own clock; frames that could not
 * be shown are counted.
 */
package chalktrace.app.sound;
