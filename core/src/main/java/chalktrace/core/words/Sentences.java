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
        String looked = text.length() <= 4 * most
                ? text
                : text.substring(0, 2 * most) + LEFT_OUT + text.substring(text.length() - 2 * most);
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
        return out.substring(0, half) + LEFT_OUT + out.substring(out.length() - half);
    }
}
