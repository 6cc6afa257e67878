package chalktrace.benchmarks;

import chalktrace.core.shot.MouthChart;
import chalktrace.core.shot.MouthRules;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Word;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.Peaks;
import chalktrace.core.speech.PhoneMouths;
import chalktrace.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** What the bench and the rules for mouths cost with long lines. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-Xmx2500m"})
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 4, time = 3)
public class VoiceBenchmark {

    private static final int RATE = 48_000;
    private static final int HOUR_SECONDS = 3600;
    private static final int COLUMNS = 900;
    private static final int WORDS = 5000;

    private Peaks hour;
    private List<Word> words;
    private int from;

    @Setup
    public void make() {
        float[] samples = new float[RATE * HOUR_SECONDS];
        SplittableRandom random = new SplittableRandom(4);
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) ((random.nextDouble() - 0.5) * Math.sin(i / 30_000.0));
        }
        hour = new Peaks(new PcmBuffer(RATE, 1, samples));
        words = new ArrayList<>();
        double at = 0;
        for (int i = 0; i < WORDS; i++) {
            // Three to seven sounds of 40 to 110 ms each, and a breath after every tenth word.
            double start = at;
            List<Phone> phones = new ArrayList<>();
            for (int n = random.nextInt(3, 8); n > 0; n--) {
                double length = random.nextDouble(0.04, 0.11);
                phones.add(new Phone(Phone.SYMBOLS.get(random.nextInt(Phone.SYMBOLS.size())), at, at + length));
                at += length;
            }
            words.add(new Word("word-" + i, "word", start, at).withPhones(phones));
            at += i % 10 == 9 ? 0.5 : 0;
        }
    }

    /** The lowest and highest sample of each of 900 columns, an hour's sound on the bench. Wanted: within 16 ms. */
    @Benchmark
    public float waveformOfAnHour() {
        float sum = 0;
        from = (from + 7) % 100;
        for (int x = 0; x < COLUMNS; x++) {
            double left = from + x * (HOUR_SECONDS - 100.0) / COLUMNS;
            Peaks.Range range = hour.between(left, left + (HOUR_SECONDS - 100.0) / COLUMNS);
            sum += range.high() - range.low();
        }
        return sum;
    }

    /** The mouths of 5,000 words on 48,000 frames. */
    @Benchmark
    public int mouthsOfFiveThousandWords() {
        return PhoneMouths.of(words, MouthChart.TEN, MouthRules.STANDARD, FrameRate.FILM, 48_000)
                .size();
    }
}
