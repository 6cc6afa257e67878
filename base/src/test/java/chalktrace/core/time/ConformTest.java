package chalktrace.core.time;

import static org.assertj.core.api.Assertions.assertThat;

import chalktrace.core.time.Conform.Pace;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class ConformTest {

    private static List<Integer> pictures(Conform conform, FrameRate rate, PictureTimes times, int frames) {
        return IntStream.range(0, frames)
                .mapToObj(frame -> conform.pictureAt(frame, rate, times).orElse(-1))
                .toList();
    }

    @Test
    void tenPicturesAtTenAFillTwentyFourFramesWhenTimeIsKept() {
        // Arithmetic: one second either way.
        PictureTimes times = PictureTimes.even(FrameRate.of(10), 10);
        Conform conform = Conform.whole(0, times);
        assertThat(conform.frames(FrameRate.FILM, times)).isEqualTo(24);
        // Frame f shows the last of the pictures at 0, 0.1, 0.2 ... that starts before (f + 1/2)/24 s, by hand.
        assertThat(pictures(conform, FrameRate.FILM, times, 8)).containsExactly(0, 0, 1, 1, 1, 2, 2, 3);
    }

    @Test
    void tenPicturesFillTenFramesWhenEachBecomesOne() {
        PictureTimes times = PictureTimes.even(FrameRate.of(10), 10);
        Conform conform = new Conform(5, 0, 10, 1, Pace.PICTURE_FOR_FRAME);
        assertThat(conform.frames(FrameRate.FILM, times)).isEqualTo(10);
        assertThat(conform.pictureAt(4, FrameRate.FILM, times)).isEqualTo(OptionalInt.empty());
        assertThat(conform.pictureAt(5, FrameRate.FILM, times)).hasValue(0);
        assertThat(conform.pictureAt(14, FrameRate.FILM, times)).hasValue(9);
        assertThat(conform.pictureAt(15, FrameRate.FILM, times)).isEqualTo(OptionalInt.empty());
    }

    @Test
    void twelveAShotTakesEverySecondPictureOfTwentyFour() {
        PictureTimes times = PictureTimes.even(FrameRate.FILM, 24);
        assertThat(pictures(Conform.whole(0, times), FrameRate.of(12), times, 12))
                .containsExactly(0, 2, 4, 6, 8, 10, 12, 14, 16, 18, 20, 22);
    }

    @Test
    void unevenPicturesAreTakenByTheirTimes() {
        PictureTimes times = PictureTimes.of(new double[] {0, 0.01, 0.2, 0.21, 0.5}, 0.1);
        // Frames of 1/10 s: the last that starts before 0.05, 0.15 ... 0.55; of two within half a frame the nearest to
        // 0, 0.2.
        assertThat(pictures(Conform.whole(0, times), FrameRate.of(10), times, 6))
                .containsExactly(0, 1, 2, 3, 3, 4);
    }

    @Test
    void everyThirdPictureHoldsForThree() {
        PictureTimes times = PictureTimes.even(FrameRate.FILM, 12);
        Conform thirds = new Conform(0, 0, 12, 3, Pace.KEEP_TIME);
        assertThat(pictures(thirds, FrameRate.FILM, times, 12)).containsExactly(0, 0, 0, 3, 3, 3, 6, 6, 6, 9, 9, 9);
    }

    @Test
    void twiceTheSpeedTakesHalfTheFrames() {
        PictureTimes times = PictureTimes.even(FrameRate.FILM, 24);
        Conform fast = new Conform(0, 0, 24, 1, Pace.KEEP_TIME, 2);
        assertThat(pictures(fast, FrameRate.FILM, times, 13))
                .containsExactly(0, 2, 4, 6, 8, 10, 12, 14, 16, 18, 20, 22, -1);
        assertThat(new Conform(0, 0, 24, 1, Pace.KEEP_TIME, 0.5).frames(FrameRate.FILM, times))
                .isEqualTo(48);
    }

    @Test
    void aReportTellsWhatRepeatsAndWhatIsLeftOut() {
        PictureTimes times = PictureTimes.even(FrameRate.of(25), 25);
        ConformReport report = ConformReport.of(Conform.whole(10, times), FrameRate.FILM, times);
        // A second of 25 in 24 frames: frame f shows the picture nearest to 25 f / 24, by hand: one is left out.
        assertThat(report.rows()).hasSize(24);
        assertThat(report.rows().get(0)).isEqualTo(new ConformReport.Row(10, 0, 0));
        assertThat(report.rows().get(23).picture()).isEqualTo(24);
        assertThat(report.dropped()).hasSize(1);
        assertThat(report.repeated()).isEmpty();
        ConformReport slow = ConformReport.of(new Conform(0, 5, 15, 1, Pace.KEEP_TIME, 0.5), FrameRate.of(25), times);
        assertThat(slow.rows()).hasSize(20);
        assertThat(slow.repeated()).contains(5, 14);
        assertThat(slow.dropped()).isEmpty();
    }

    @Test
    void videoOfTwentyNinePointNineSevenLosesEveryFifthPictureInFilm() {
        PictureTimes times = PictureTimes.even(FrameRate.NTSC, 30);
        ConformReport report = ConformReport.of(Conform.whole(0, times), new FrameRate(24000, 1001), times);
        // 30000/1001 to 24000/1001 is 5 to 4: of each five pictures one is left out.
        assertThat(report.rows()).hasSize(24);
        assertThat(report.dropped()).hasSize(6);
    }

    /** Worked out by hand: 25 pictures in a second meet 24 frames, so one is left out and none repeats. */
    @Test
    void videoOfTwentyFiveLosesOnePictureASecondInFilm() {
        PictureTimes second = PictureTimes.even(FrameRate.of(25), 25);
        ConformReport report = ConformReport.of(Conform.whole(0, second), FrameRate.FILM, second);
        assertThat(report.rows()).hasSize(24);
        assertThat(report.dropped()).hasSize(1);
        assertThat(report.repeated()).isEmpty();
    }

    /**
     * Worked out by hand: a phone's clip of 30 that skips, with pictures at 0, 1, 2, 6, 7 and 12 thirtieths, the last
     * shown for one. The middles after frames of film lie at 0.625, 1.875,
     * 3.125, 4.375, 5.625, 6.875, 8.125, 9.375, 10.625, 11.875 thirtieths.
     */
    @Test
    void picturesOfAPhoneThatSkipsAreTakenByTheirOwnTimes() {
        PictureTimes times =
                PictureTimes.of(new double[] {0, 1 / 30.0, 2 / 30.0, 6 / 30.0, 7 / 30.0, 12 / 30.0}, 1 / 30.0);
        Conform whole = Conform.whole(0, times);
        int[] shown = IntStream.range(0, 10)
                .map(frame -> whole.pictureAt(frame, FrameRate.FILM, times).orElse(-1))
                .toArray();
        assertThat(shown).containsExactly(0, 1, 2, 2, 2, 3, 4, 4, 4, 4);
    }

    @Test
    void onePictureIsHeldForTheWholeShot() {
        PictureTimes times = PictureTimes.even(FrameRate.FILM, 1);
        assertThat(Conform.whole(0, times).pictureAt(500, FrameRate.FILM, times))
                .hasValue(0);
    }

    private static int shown(double[] starts, Conform.Pace pace, int frame, FrameRate rate) {
        PictureTimes times = PictureTimes.of(starts, 1);
        return new Conform(0, 0, starts.length, 1, pace)
                .pictureAt(frame, rate, times)
                .orElseThrow();
    }

    /** A picture every two seconds: the first is seen until the second starts, at 2 s, frame 48. */
    @Test
    void aHeldPictureStaysUntilAnotherStarts() {
        double[] slow = {0, 2, 4};
        assertThat(shown(slow, Conform.Pace.KEEP_TIME, 25, FrameRate.FILM)).isZero();
        assertThat(shown(slow, Conform.Pace.KEEP_TIME, 47, FrameRate.FILM)).isZero();
        assertThat(shown(slow, Conform.Pace.KEEP_TIME, 48, FrameRate.FILM)).isEqualTo(1);
        assertThat(shown(slow, Conform.Pace.NEAREST_TIME, 25, FrameRate.FILM)).isEqualTo(1);
    }

    /** Files round times to milliseconds: 0.042 s is frame 1 at 24, which lies at 0.041667 s. */
    @Test
    void aStartThatIsRoundedUpStillMeetsItsFrame() {
        double[] rounded = {0, 0.042, 0.083, 0.125};
        for (int f = 0; f < 4; f++) {
            assertThat(shown(rounded, Conform.Pace.KEEP_TIME, f, FrameRate.FILM))
                    .isEqualTo(f);
        }
    }

    /** Of pictures at 0.030, 0.040 and 0.050 s, all within half a frame of frame 1, the second is nearest to 0.041667 s. */
    @Test
    void ofSeveralThatStartWithinAFrameTheNearestIsSeen() {
        assertThat(shown(new double[] {0, 0.03, 0.04, 0.05, 0.2}, Conform.Pace.KEEP_TIME, 1, FrameRate.FILM))
                .isEqualTo(2);
    }

    /** At 12 frames a second frame 1 lies at 1/12 s; pictures at 1/12 - 1/48 and 1/12 + 1/48 s are equally near. */
    @Test
    void ofTwoThatAreEquallyNearTheEarlierIsSeen() {
        double[] even = {0, 1 / 12.0 - 1 / 48.0, 1 / 12.0 + 1 / 48.0};
        assertThat(shown(even, Conform.Pace.KEEP_TIME, 1, FrameRate.of(12))).isEqualTo(1);
    }

    /** At 16 pictures a second the second starts at 1.5/24 s, right in the middle between frames 1 and 2 of film. */
    @Test
    void aPictureThatStartsInTheMiddleBetweenTwoFramesIsSeenFromTheLater() {
        double[] sixteenths = {0, 1 / 16.0, 2 / 16.0};
        assertThat(shown(sixteenths, Conform.Pace.KEEP_TIME, 1, FrameRate.FILM)).isZero();
        assertThat(shown(sixteenths, Conform.Pace.KEEP_TIME, 2, FrameRate.FILM)).isEqualTo(1);
    }
}
