package chalktrace.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.From;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class SentencesTest {

    @Property
    void whateverAFileHoldsIsShortAndCanBeShown(@ForAll String text, @ForAll @IntRange(min = 20, max = 200) int most) {
        String plain = Sentences.plain(text, most);
        assertThat(plain.length()).isLessThanOrEqualTo(most);
        assertThat(plain.chars().filter(c -> Character.isISOControl(c) || Character.getType(c) == Character.FORMAT))
                .isEmpty();
        assertThat(plain).doesNotContain("  ");
    }

    /** Written with pictures and old scripts, each of two chars, and spaces everywhere. */
    @Property
    void noCharacterIsCutInTwo(
            @ForAll @Size(max = 400) List<@From("wide") String> parts, @ForAll @IntRange(min = 20, max = 60) int most) {
        String plain = Sentences.plain(String.join("", parts), most);
        assertThat(plain.codePoints().filter(point -> Character.getType(point) == Character.SURROGATE))
                .isEmpty();
        assertThat(plain).doesNotContain("  ");
    }

    @Provide
    Arbitrary<String> wide() {
        return Arbitraries.of(" ", "a", "\uD83C\uDFA8", "\uD800\uDF80", "\n");
    }

    @Test
    void aShortTextStaysAndOfALongOneBothEndsDo() {
        assertThat(Sentences.plain("has no words in line 7", 80)).isEqualTo("has no words in line 7");
        String plain = Sentences.plain("begins " + "on and on ".repeat(100_000) + "ends", 60);
        assertThat(plain).startsWith("begins on").endsWith("on ends").hasSizeBetween(50, 60);
    }
}
