package chalktrace.app.controls;

/** Words as the screen shows them. */
public final class Sentence {

    private Sentence() {}

    /** With a capital at its start; what starts with no letter stays. */
    public static String of(String words) {
        return words.isEmpty() ? words : Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
