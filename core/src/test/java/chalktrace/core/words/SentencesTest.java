package chalktrace.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
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

    @Test
    void aShortTextStaysAndOfALongOneBothEndsDo() {
        assertThat(Sentences.plain("has no words in line 7", 80)).isEqualTo("has no words in line 7");
        String plain = Sentences.plain("begins " + "on and on ".repeat(100_000) + "ends", 60);
        assertThat(plain).startsWith("begins on").endsWith("on ends").hasSizeBetween(50, 60);
    }
}
