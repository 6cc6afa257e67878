package chalktrace.core.words;

/** Makes text of files fit into a sentence for a person. */
public final class Sentences {

    private static final String LEFT_OUT = " … ";

    private Sentences() {}

    /**
     * On one line, without characters that control a terminal or turn the direction of text, and no longer than is read at a glance: of
     * more the middle is left out.
     *
     * @param most characters
     */
    public static String plain(String text, int most) {
        StringBuilder out = new StringBuilder();
        boolean gap = false;
        // What is left out anyway is not looked at.
        String looked = text.length() <= 4 * most ? text : first(text, 2 * most) + LEFT_OUT + last(text, 2 * most);
        for (int i = 0; i < looked.length(); i++) {
            char c = looked.charAt(i);
            if (Character.isWhitespace(c) || Character.isISOControl(c)) {
                gap = out.length() > 0;
            } else if (Character.getType(c) != Character.FORMAT) {
                if (gap) {
                    out.append(' ');
                }
                gap = false;
                out.append(c);
            }
        }
        if (out.length() <= most) {
            return out.toString();
        }
        int half = (most - LEFT_OUT.length()) / 2;
        return first(out, half).stripTrailing() + LEFT_OUT + last(out, half).stripLeading();
    }

    /** Without half a character at the cut. */
    private static String first(CharSequence text, int count) {
        int end = Character.isHighSurrogate(text.charAt(count - 1)) ? count - 1 : count;
        return text.subSequence(0, end).toString();
    }

    private static String last(CharSequence text, int count) {
        int start = text.length() - count;
        return text.subSequence(Character.isLowSurrogate(text.charAt(start)) ? start + 1 : start, text.length())
                .toString();
    }
}
