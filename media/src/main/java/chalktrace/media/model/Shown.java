package chalktrace.media.model;

/** Words of a file as a sentence may show them: short, and without what can't be seen. */
final class Shown {

    private static final int LONGEST = 60;

    private Shown() {}

    static String of(String word) {
        String clean = word.replaceAll("\\p{C}", "?");
        return clean.length() > LONGEST ? clean.substring(0, LONGEST) + "…" : clean;
    }
}
