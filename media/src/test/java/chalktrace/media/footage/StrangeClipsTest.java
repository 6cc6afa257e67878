package chalktrace.media.footage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.FrameRate;
import chalktrace.media.UnreadableException;
import chalktrace.media.sound.SoundFiles;
import chalktrace.media.testing.Clips;
import chalktrace.media.testing.EditLists;
import chalktrace.media.testing.EditLists.Part;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.From;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Clips as programs leave them: cut, joined, edited, half damaged, with facts that only their container knows. */
class StrangeClipsTest {

    private static final Path CLIPS = Path.of("src/test/resources/clips");

    @TempDir
    Path folder;

    /** 352 pixels of 4:3 are as wide as 469 and a third square ones. */
    @ParameterizedTest
    @ValueSource(strings = {"wide-in-container.webm", "wide-in-container.mov"})
    void pixelsAreAsWideAsTheContainerSays(String name) throws Exception {
        try (VideoClip clip = VideoClip.open(CLIPS.resolve(name))) {
            assertThat(clip.displaySize()).isEqualTo(new PictureSize(469, 96));
        }
    }

    @Test
    void aRateThatNobodyStatesIsThatOfThePictures() throws Exception {
        try (VideoClip clip = VideoClip.open(CLIPS.resolve("no-rate.flv"))) {
            assertThat(clip.rate()).isEqualTo(FrameRate.FILM);
        }
    }

    /** Its right half has an opacity of 64 of 255. */
    @ParameterizedTest
    @ValueSource(strings = {"clear-vp8.webm", "clear-vp9.webm"})
    void opacityBesideThePicturesIsRead(String name) throws Exception {
        try (VideoClip clip = VideoClip.open(CLIPS.resolve(name))) {
            for (int n = clip.times().count() - 1; n >= 0; n--) {
                int[] words = clip.picture(n).toArgb();
                assertThat(words[32 * 96 + 20] >>> 24).isEqualTo(255);
                assertThat(words[32 * 96 + 75] >>> 24).isCloseTo(64, within(3));
            }
        }
    }

    /** Each list as seconds seen and from where, and the pictures that it shows. */
    @ParameterizedTest
    @CsvSource({
        "0.5 0.25 0.5 0.25, 6-17 6-17",
        "1 0.25 1 0.75, 6-29 18-41",
        "0.5 1 0.5 0, 24-35 0-11",
        "0 0, 0-47",
        "0 0 1 0.5, 12-35",
        "1 0.5 0 0, 12-35"
    })
    void editsShowWhatTheyList(String list, String shown) throws Exception {
        String[] numbers = list.split(" ");
        Part[] parts = new Part[numbers.length / 2];
        for (int i = 0; i < parts.length; i++) {
            parts[i] = new Part(Double.parseDouble(numbers[2 * i]), Double.parseDouble(numbers[2 * i + 1]));
        }
        List<Integer> wanted = new ArrayList<>();
        for (String run : shown.split(" ")) {
            String[] ends = run.split("-");
            for (int n = Integer.parseInt(ends[0]); n <= Integer.parseInt(ends[1]); n++) {
                wanted.add(n);
            }
        }
        byte[] bytes = Files.readAllBytes(CLIPS.resolve("h264-long-group.mp4"));
        Path file = Files.write(folder.resolve("edited.mp4"), EditLists.write(bytes, parts));
        try (VideoClip clip = VideoClip.open(file)) {
            List<Integer> order = new ArrayList<>();
            for (int n = 0; n < clip.times().count(); n++) {
                order.add(n);
            }
            assertThat(order).hasSameSizeAs(wanted);
            Collections.shuffle(order, new Random(5));
            for (int n : order) {
                assertThat(Clips.number(clip.picture(n))).as("picture %d", n).isEqualTo(wanted.get(n));
                assertThat(clip.times().seconds(n)).isCloseTo(n / 24.0, within(1e-3));
                assertThat(clip.doubt(n)).isEmpty();
            }
            // Sound ends with a packet, which may be 1024 samples longer.
            assertThat(SoundFiles.read(file).seconds()).isCloseTo(wanted.size() / 24.0, within(0.045));
        }
    }

    @ParameterizedTest
    @CsvSource({"h264.ts, h264-later.ts", "h264-later.ts, h264.ts"})
    void recordingsWithOtherTimesFollowEachOther(String first, String second) throws Exception {
        ByteArrayOutputStream joined = new ByteArrayOutputStream();
        for (String name : List.of(first, second, first)) {
            joined.write(Files.readAllBytes(CLIPS.resolve(name)));
        }
        Path file = Files.write(folder.resolve("joined.ts"), joined.toByteArray());
        try (VideoClip clip = VideoClip.open(file)) {
            assertThat(clip.times().count()).isEqualTo(144);
            for (int n : new int[] {0, 47, 48, 95, 96, 143, 60, 20}) {
                assertThat(Clips.number(clip.picture(n))).as("picture %d", n).isEqualTo(n % 48);
                assertThat(clip.times().seconds(n)).isCloseTo(n / 24.0, within(0.002));
            }
        }
        assertThat(SoundFiles.read(file).seconds()).isCloseTo(6, within(0.1));
    }

    /** Picture 23 and those before it lean on what was cut off; the first that is there is 24. */
    @Test
    void whatLeansOnWhatWasCutOffIsNoPicture() throws Exception {
        try (VideoClip clip = VideoClip.open(CLIPS.resolve("cut-in-group.ts"))) {
            assertThat(clip.times().count()).isEqualTo(24);
            for (int n : new int[] {0, 1, 23, 12, 5, 0}) {
                assertThat(Clips.number(clip.picture(n))).isEqualTo(24 + n);
                assertThat(clip.doubt(n)).as("picture %d", n).isEmpty();
            }
        }
    }

    /** Some bytes changed in the middle: in any order of asking each picture is the sound file's, or told, or refused. */
    @Property(tries = 12, edgeCases = EdgeCasesMode.NONE)
    void av1IsRightOrTold(@ForAll long seed) throws Exception {
        Spoilt spoilt = Spoilt.of("av1-groups.mkv", seed);
        assertThat(spoilt.silent).as("seed %d", seed).isZero();
    }

    /**
     * What leans on a damaged packet is doubted, and only that. Of some damage the decoder itself knows nothing: in one of eight such files of H.264, one of
     * twenty of the others.
     */
    @ParameterizedTest
    @CsvSource({"four-slices.mkv, 6", "between-mpeg2video.mkv, 3", "between-mpeg4.mkv, 3"})
    void whatLeansOnADamagedPlaceIsDoubtedAndNothingElse(String name, int mostSilent) throws Exception {
        long seed = System.nanoTime();
        System.out.println("slices damaged from seed " + seed);
        List<Spoilt> all = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            all.add(Spoilt.of(name, seed + i));
        }
        assertThat(all)
                .as("seed %d", seed)
                .filteredOn(one -> one.doubtedThoughSound > 4)
                .hasSizeLessThanOrEqualTo(1);
        assertThat(all).as("seed %d", seed).filteredOn(one -> one.silent > 0).hasSizeLessThanOrEqualTo(mostSilent);
    }

    /** Also those that lean on a picture that is seen after them and so comes later. */
    @Property(tries = 24, edgeCases = EdgeCasesMode.NONE)
    void aPictureIsToldWhenItIsFirstShown(@ForAll @From("exchanged") String name, @ForAll long seed) throws Exception {
        Path file = Spoilt.file(name, new Random(seed));
        List<Integer> at = new ArrayList<>();
        List<Integer> later = new ArrayList<>();
        try (VideoClip clip = VideoClip.open(file)) {
            List<Integer> given = new ArrayList<>();
            for (int n = 0; n < clip.times().count(); n++) {
                try {
                    clip.picture(n);
                    given.add(n);
                    if (clip.doubt(n).isPresent()) {
                        at.add(n);
                    }
                } catch (PictureUnavailableException e) {
                    assertThat(e.getMessage()).contains("counted from 0");
                }
            }
            for (int n : given) {
                if (clip.doubt(n).isPresent()) {
                    later.add(n);
                }
            }
        } catch (UnreadableException e) {
            assertThat(e.getMessage()).contains("spoilt");
        } finally {
            Files.delete(file);
        }
        assertThat(at).isEqualTo(later);
    }

    @Provide
    Arbitrary<String> exchanged() {
        return Arbitraries.of("four-slices.mkv", "between-mpeg2video.mkv", "between-mpeg4.mkv");
    }

    /** A clip with some bytes changed in one place, beside the sound one. */
    private record Spoilt(int silent, int doubtedThoughSound) {

        static Path file(String name, Random random) throws Exception {
            byte[] bytes = Files.readAllBytes(CLIPS.resolve(name));
            int at = bytes.length / 6 + random.nextInt(bytes.length * 2 / 3);
            for (int i = 0; i < 4; i++) {
                bytes[at + i] = (byte) random.nextInt(256);
            }
            return Files.write(Files.createTempFile("spoilt", ".mkv"), bytes);
        }

        static Spoilt of(String name, long seed) throws Exception {
            Random random = new Random(seed);
            Path file = file(name, random);
            int silent = 0;
            int doubted = 0;
            try (VideoClip sound = VideoClip.open(CLIPS.resolve(name));
                    VideoClip clip = VideoClip.open(file)) {
                List<Integer> order = new ArrayList<>();
                for (int n = 0; n < clip.times().count(); n++) {
                    order.add(n);
                }
                Collections.shuffle(order, random);
                // Where the container itself is damaged, which it tells, other pictures may follow.
                boolean told = !clip.notes().isEmpty();
                for (int n : order) {
                    try {
                        int of = sound.times().nearest(clip.times().seconds(n));
                        boolean same = Arrays.equals(
                                clip.picture(n).toArgb(), sound.picture(of).toArgb());
                        boolean doubt = clip.doubt(n).isPresent();
                        silent += same || doubt || told ? 0 : 1;
                        doubted += same && doubt ? 1 : 0;
                    } catch (PictureUnavailableException e) {
                        assertThat(e.getMessage()).contains("counted from 0");
                    }
                }
            } catch (UnreadableException e) {
                assertThat(e.getMessage()).contains("spoilt");
            } finally {
                Files.delete(file);
            }
            return new Spoilt(silent, doubted);
        }
    }

    /** The same as GIF, of which FFmpeg knows how frames lie over each other. */
    @Test
    void anAnimatedWebpShowsWhatTheSameGifDoes() throws Exception {
        try (Reference webp = References.open(CLIPS.resolve("parts.webp"));
                Reference gif = References.open(CLIPS.resolve("parts.gif"))) {
            int count = gif.times().count();
            assertThat(webp.times().count()).isEqualTo(count);
            assertThat(webp.rate()).isEqualTo(FrameRate.of(20));
            List<Integer> order = new ArrayList<>();
            for (int n = 0; n < count; n++) {
                order.add(n);
            }
            Collections.shuffle(order, new Random(3));
            for (int n : order) {
                assertThat(seen(webp.picture(n).toArgb()))
                        .as("picture %d", n)
                        .isEqualTo(seen(gif.picture(n).toArgb()));
            }
        }
    }

    /** What is clear has no colour. */
    private static int[] seen(int[] words) {
        return Arrays.stream(words).map(word -> word >>> 24 == 0 ? 0 : word).toArray();
    }

    @Property(tries = 60, edgeCases = EdgeCasesMode.NONE)
    void spoiltWebpIsReadOrRefused(@ForAll long seed) throws Exception {
        Random random = new Random(seed);
        byte[] bytes = Files.readAllBytes(CLIPS.resolve("parts.webp"));
        for (int i = random.nextInt(5); i >= 0; i--) {
            // The head stays that of one that moves.
            bytes[24 + random.nextInt(bytes.length - 24)] = (byte) random.nextInt(256);
        }
        int frame = new String(bytes, StandardCharsets.ISO_8859_1).indexOf("ANMF", random.nextInt(bytes.length));
        if (frame >= 0 && random.nextInt(4) == 0) {
            // A length that is shorter than its own head, or longer than the file.
            ByteBuffer.wrap(bytes)
                    .order(ByteOrder.LITTLE_ENDIAN)
                    .putInt(frame + 4, random.nextInt(24) * random.nextInt(24) - 24);
        }
        int length = random.nextInt(3) == 0 ? 24 + random.nextInt(bytes.length - 24) : bytes.length;
        Path file = Files.write(Files.createTempFile("spoilt", ".webp"), Arrays.copyOf(bytes, length));
        try (Reference webp = References.open(file)) {
            for (int n = webp.times().count() - 1; n >= 0; n -= 3) {
                webp.picture(n);
            }
        } catch (UnreadableException | PictureUnavailableException e) {
            assertThat(e.getMessage()).contains("spoilt").hasSizeLessThan(300);
        } finally {
            Files.delete(file);
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.3, 0.6, 0.97})
    void anExrThatEndsEarlyIsDoubted(double share) throws Exception {
        byte[] bytes = Files.readAllBytes(CLIPS.resolve("five.exr"));
        try (Reference whole = References.open(CLIPS.resolve("five.exr"))) {
            whole.picture(0);
            assertThat(whole.doubt(0)).isEmpty();
        }
        Path file = Files.write(folder.resolve("cut.exr"), Arrays.copyOf(bytes, (int) (share * bytes.length)));
        try (Reference cut = References.open(file)) {
            cut.picture(0);
            assertThat(cut.doubt(0)).isPresent();
        } catch (UnreadableException | PictureUnavailableException e) {
            assertThat(e.getMessage()).contains("cut.exr");
        }
    }
}
