package chalktrace.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import chalktrace.core.time.FrameRange;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MouthSpanTest {

    private static final FrameRange FRAMES = FrameRange.of(3, 4);

    @Property(tries = 200)
    void aDrawingOfOnesOwnIsReadByTheNameThatItIsWrittenBy(@ForAll @IntRange(min = 1, max = 999_999_999) int number) {
        MouthSpan own = new MouthSpan(FRAMES, "", number, true);
        assertThat(MouthSpan.named(FRAMES, own.name(), true)).isEqualTo(own);
        assertThat(own.isOwn()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "rest",
                "drawing",
                "drawing ",
                "drawing 0",
                "drawing 07",
                "drawing -3",
                "drawing 3 b",
                "drawing 1234567890"
            })
    void allElseIsTheNameOfAShape(String name) {
        MouthSpan shape = MouthSpan.named(FRAMES, name, false);
        assertThat(shape.isOwn()).isFalse();
        assertThat(shape.shape()).isEqualTo(name);
        assertThat(shape.name()).isEqualTo(name);
        assertThat(shape.byHand()).isFalse();
    }

    @Test
    void itIsOneOfAShapeAndADrawingForAtLeastAFrame() {
        assertThatIllegalArgumentException().isThrownBy(() -> new MouthSpan(FRAMES, "", 0, true));
        assertThatIllegalArgumentException().isThrownBy(() -> new MouthSpan(FRAMES, "rest", 31, true));
        assertThatIllegalArgumentException().isThrownBy(() -> new MouthSpan(FRAMES, "rest", -1, true));
        assertThatIllegalArgumentException().isThrownBy(() -> new MouthSpan(new FrameRange(3, 3), "rest", true));
        assertThatIllegalArgumentException().isThrownBy(() -> new MouthSpan(new FrameRange(-1, 3), "rest", true));
    }

    @Test
    void theSameMouthIsThatOfTheSameShapeOrDrawingWhenever() {
        MouthSpan own = new MouthSpan(FRAMES, "", 31, true);
        assertThat(own.isSameMouth(own.withRange(FrameRange.of(20, 1)))).isTrue();
        assertThat(own.isSameMouth(new MouthSpan(FRAMES, "", 32, true))).isFalse();
        assertThat(own.isSameMouth(new MouthSpan(FRAMES, "rest", true))).isFalse();
        assertThat(own.withRange(FrameRange.of(20, 1))).isEqualTo(new MouthSpan(FrameRange.of(20, 1), "", 31, true));
    }
}
