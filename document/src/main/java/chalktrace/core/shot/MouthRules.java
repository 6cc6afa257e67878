package chalktrace.core.shot;

/**
 * How mouths are set from sounds. Times are in milliseconds, so that they hold at 12 frames a second and at 24.
 *
 * @param leadMillis how much earlier than its sound a mouth is seen
 * @param leastMillis how long each mouth is seen at least, so that none flutters
 * @param restMillis pauses shorter than this hold the mouth of the sound before
 * @param roundAheadMillis how early lips may round for a vowel to come, over consonants that leave them free
 * @param every 1 for mouths on ones, 2 for twos
 * @param opened whether loud vowels open the mouth and faint ones close it
 */
public record MouthRules(
        int leadMillis, int leastMillis, int restMillis, int roundAheadMillis, int every, boolean opened) {

    /** Common practice: a frame of lead at 24, and nothing for less than two frames of it. */
    public static final MouthRules STANDARD = new MouthRules(42, 83, 160, 120, 1, true);

    public static final int MOST_LEAD_MILLIS = 83;

    /** @throws IllegalArgumentException when a number has no sense; it says which */
    public MouthRules {
        if (leadMillis < 0 || leadMillis > MOST_LEAD_MILLIS) {
            throw new IllegalArgumentException("Mouths lead their sounds by 0 to 83 ms, not " + leadMillis + ".");
        }
        if (leastMillis < 0 || leastMillis > 500 || restMillis < 0 || restMillis > 2000) {
            throw new IllegalArgumentException(
                    "A mouth is held for at least 0 to 500 ms, over pauses of 0 to 2000 ms.");
        }
        if (roundAheadMillis < 0 || roundAheadMillis > 500 || every < 1 || every > 4) {
            throw new IllegalArgumentException("Lips round 0 to 500 ms ahead, and mouths change on ones to fours.");
        }
    }
}
