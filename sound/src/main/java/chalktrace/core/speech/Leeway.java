package chalktrace.core.speech;

/**
 * Where what is said may differ from a script.
 *
 * @param otherSpeech before which words, and after the last, something else may be said
 * @param mayBeMissing which words may not be said at all; one flag more than there are words
 * @param partOnly whether words up to one, and from another on, may be missing all at once
 */
record Leeway(boolean[] otherSpeech, boolean[] mayBeMissing, boolean partOnly) {

    static Leeway none(int words) {
        return new Leeway(new boolean[words + 1], new boolean[words + 1], false);
    }

    static Leeway partOnly(int words) {
        return new Leeway(new boolean[words + 1], new boolean[words + 1], true);
    }
}
