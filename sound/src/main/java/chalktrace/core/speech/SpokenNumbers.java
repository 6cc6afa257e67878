package chalktrace.core.speech;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Digits and signs as the English words in which they are said. */
final class SpokenNumbers {

    private static final String[] ONES = {
        "zero",
        "one",
        "two",
        "three",
        "four",
        "five",
        "six",
        "seven",
        "eight",
        "nine",
        "ten",
        "eleven",
        "twelve",
        "thirteen",
        "fourteen",
        "fifteen",
        "sixteen",
        "seventeen",
        "eighteen",
        "nineteen"
    };
    private static final String[] TENS = {
        "", "", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"
    };
    private static final Map<String, String> SIGNS = Map.of("&", "and", "+", "plus", "%", "percent", "$", "dollars");
    private static final Map<String, String> ORDINALS = Map.of(
            "one", "first", "two", "second", "three", "third", "five", "fifth", "eight", "eighth", "nine", "ninth",
            "twelve", "twelfth");
    private static final int MOST_DIGITS = 12;

    private SpokenNumbers() {}

    /** The ways in which it can be said; none when it has no digits and is no sign. */
    static List<String> of(String key) {
        if (SIGNS.containsKey(key)) {
            return List.of(SIGNS.get(key));
        }
        String before = key.startsWith("$") ? " dollars" : key.endsWith("%") ? " percent" : "";
        String number = key.replaceAll("[$%,]", "");
        if (number.matches("\\d+(st|nd|rd|th)")) {
            String digits = number.substring(0, number.length() - 2);
            return digits.length() > MOST_DIGITS ? List.of() : List.of(ordinal(cardinal(Long.parseLong(digits))));
        }
        if (number.matches("\\d+s")) {
            return of(number.substring(0, number.length() - 1)).stream()
                    .map(words -> words.endsWith("y") ? words.substring(0, words.length() - 1) + "ies" : words + "s")
                    .toList();
        }
        if (number.matches("\\d+\\.\\d+")) {
            int dot = number.indexOf('.');
            return of(number.substring(0, dot)).stream()
                    .map(words -> words + " point " + digits(number.substring(dot + 1)) + before)
                    .toList();
        }
        if (!number.matches("\\d+")) {
            return List.of();
        }
        if (number.length() > MOST_DIGITS || number.length() > 1 && number.startsWith("0")) {
            return List.of(digits(number) + before);
        }
        List<String> out = new ArrayList<>();
        long value = Long.parseLong(number);
        out.add(cardinal(value) + before);
        if (number.length() == 4 && value % 1000 >= 100) {
            // A year, in two halves.
            String second = value % 100 == 0
                    ? "hundred"
                    : value % 100 < 10 ? "oh " + ONES[(int) (value % 100)] : cardinal(value % 100);
            out.add(cardinal(value / 100) + " " + second + before);
        }
        if (number.length() == 3) {
            out.add(digits(number) + before);
        }
        return out;
    }

    private static String digits(String number) {
        List<String> out = new ArrayList<>();
        for (char digit : number.toCharArray()) {
            out.add(ONES[digit - '0']);
        }
        return String.join(" ", out);
    }

    private static String ordinal(String cardinal) {
        int space = cardinal.lastIndexOf(' ');
        String last = cardinal.substring(space + 1);
        String changed = ORDINALS.getOrDefault(
                last, last.endsWith("y") ? last.substring(0, last.length() - 1) + "ieth" : last + "th");
        return cardinal.substring(0, space + 1) + changed;
    }

    private static String cardinal(long value) {
        if (value < 20) {
            return ONES[(int) value];
        }
        if (value < 100) {
            return TENS[(int) value / 10] + (value % 10 == 0 ? "" : " " + ONES[(int) value % 10]);
        }
        return value < 1000
                ? large(value, 100, "hundred")
                : value < 1_000_000
                        ? large(value, 1000, "thousand")
                        : value < 1_000_000_000
                                ? large(value, 1_000_000, "million")
                                : large(value, 1_000_000_000, "billion");
    }

    private static String large(long value, long unit, String name) {
        return cardinal(value / unit) + " " + name + (value % unit == 0 ? "" : " " + cardinal(value % unit));
    }
}
