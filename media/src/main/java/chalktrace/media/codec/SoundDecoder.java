package chalktrace.media.codec;

import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalDouble;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVRational;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avformat;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.ffmpeg.global.swresample;
import org.bytedeco.ffmpeg.swresample.SwrContext;
import org.bytedeco.javacpp.FloatPointer;
import org.bytedeco.javacpp.PointerPointer;

/** Decodes the sound of a file to one or two channels at 48 kHz. */
public final class SoundDecoder implements AutoCloseable {

    /** Longer sound is no part of one shot; five hours of two channels take 7 GB of the disk. */
    static final int LONGEST_SECONDS = 5 * 60 * 60;

    /** A hole in the time stamps longer than this is filled with silence; shorter ones are rounding. */
    private static final double HOLE_SECONDS = 0.02;

    private static final int RATE = ShotMix.SAMPLE_RATE;

    /**
     * A file's sound.
     *
     * @param startSeconds when its first sample is heard on the container's clock
     */
    public record Decoded(PcmBuffer pcm, double startSeconds) {}

    /**
     * What a file says of its sound.
     *
     * @param seconds how long it is, to within a packet where the file does not say it exactly
     */
    public record Facts(int sampleRate, int channels, double seconds) {}

    private final MediaInput input;
    private final int stream;
    private final AVCodecContext decoder;
    private final AVPacket packet = avcodec.av_packet_alloc();
    private final AVFrame frame = avutil.av_frame_alloc();
    private SwrContext resampler;

    /** What the resampler was made for: it must never meet a frame of another form. */
    private List<Integer> form = List.of();

    /** One for a source of one channel, which would lose 3 dB if it were spread over two; else two. */
    private int channels;

    private final SoundStore store = new SoundStore();
    private float[] converted = new float[0];
    private double startSeconds = Double.NaN;

    /** How much of its track lies before what is heard, where the container's reader does not know. */
    private double before;

    /** How much later the times of recordings are that were joined to the first; the jumps are looked for at the first hole that is long. */
    private double joinedSeconds;

    private TimeJumps jumps;

    private SoundDecoder(MediaInput input, int stream) throws UnreadableException {
        this.input = input;
        this.stream = stream;
        this.decoder = input.decoder(stream, 1);
    }

    /** @throws UnreadableException when the file is not media, has no sound, or its sound can't be decoded */
    public static Decoded decode(Path file) throws UnreadableException {
        try (SoundDecoder sound = open(file)) {
            return sound.run();
        }
    }

    /** What the file says of its sound; only its start is decoded, and all of it where the file is silent about its length. */
    public static Facts facts(Path file) throws UnreadableException {
        try (SoundDecoder sound = open(file)) {
            int rate = sound.decoder.sample_rate();
            int channels = sound.decoder.ch_layout().nb_channels();
            double stated = sound.isLengthGuessed() ? packetSeconds(file) : sound.statedSeconds();
            if (stated > 0 && stated < LONGEST_SECONDS) {
                sound.read(true);
                return new Facts(rate, channels, stated);
            }
            return new Facts(rate, channels, sound.run().pcm().seconds());
        }
    }

    /** When a file's first sample is heard on the container's clock; no more than its start is decoded. */
    public static double startSeconds(Path file) throws UnreadableException {
        try (SoundDecoder sound = open(file)) {
            sound.read(true);
            return sound.startSeconds;
        }
    }

    /** Whether its length was worked out from its last times or its size, which recordings that were joined mislead. */
    private boolean isLengthGuessed() {
        return input.context().duration_estimation_method() != avformat.AVFMT_DURATION_FROM_STREAM;
    }

    /** How long all of a file's packets of sound are together, without decoding them; 0 where they don't say. */
    private static double packetSeconds(Path file) throws UnreadableException {
        try (SoundDecoder sound = open(file)) {
            long units = 0;
            while (avformat.av_read_frame(sound.input.context(), sound.packet) >= 0) {
                units += sound.packet.stream_index() == sound.stream ? sound.packet.duration() : 0;
                avcodec.av_packet_unref(sound.packet);
            }
            AVRational base = sound.input.stream(sound.stream).time_base();
            return (double) units * base.num() / base.den();
        }
    }

    private double statedSeconds() {
        AVRational base = input.stream(stream).time_base();
        long duration = input.stream(stream).duration();
        return duration == avutil.AV_NOPTS_VALUE || base.den() == 0
                ? Math.max(0, input.context().duration()) / (double) avutil.AV_TIME_BASE
                : (double) duration * base.num() / base.den();
    }

    /** Whether a file that can be opened has sound. */
    public static boolean has(Path file) throws UnreadableException {
        try (MediaInput input = MediaInput.open(file)) {
            return input.soundStream() >= 0;
        }
    }

    private static SoundDecoder open(Path file) throws UnreadableException {
        MediaInput input = MediaInput.open(file);
        try {
            int stream = input.soundStream();
            if (stream < 0) {
                throw UnreadableException.of(file, "holds no sound", "Choose another file.");
            }
            OptionalDouble start = input.isIsoContainer()
                    ? EditList.onlyStart(file, input.stream(stream).id())
                    : OptionalDouble.empty();
            if (start.isPresent()) {
                input.close();
                input = MediaInput.openWholeTracks(file);
            }
            SoundDecoder sound = new SoundDecoder(input, stream);
            sound.before = start.orElse(0);
            return sound;
        } catch (UnreadableException | RuntimeException e) {
            input.close();
            throw e;
        }
    }

    private Decoded run() throws UnreadableException {
        read(false);
        flush();
        try {
            return new Decoded(store.finish(RATE, channels), startSeconds);
        } catch (IOException e) {
            throw noRoom(e);
        }
    }

    /** @param startOnly whether to end with the first sound */
    private void read(boolean startOnly) throws UnreadableException {
        while (!(startOnly && resampler != null) && avformat.av_read_frame(input.context(), packet) >= 0) {
            if (packet.stream_index() == stream) {
                avcodec.avcodec_send_packet(decoder, packet);
                drain();
            }
            avcodec.av_packet_unref(packet);
        }
        if (resampler == null || !startOnly) {
            avcodec.avcodec_send_packet(decoder, null);
            drain();
        }
        if (resampler == null) {
            throw UnreadableException.of(
                    input.file(), "has a track for sound, but nothing in it can be decoded", "Copy it again.");
        }
    }

    private void drain() throws UnreadableException {
        while (avcodec.avcodec_receive_frame(decoder, frame) == 0) {
            double at = seconds();
            if (resampler == null) {
                channels = Math.min(ShotMix.CHANNELS, frame.ch_layout().nb_channels());
                startSeconds = Double.isNaN(at) ? 0 : at - before;
            }
            List<Integer> formNow = List.of(
                    frame.format(), frame.sample_rate(), frame.ch_layout().nb_channels());
            if (!formNow.equals(form)) {
                if (resampler != null) {
                    flush();
                    swresample.swr_free(resampler);
                }
                resampler = newResampler();
                form = formNow;
            }
            fillHole(at);
            int room = swresample.swr_get_out_samples(resampler, frame.nb_samples());
            convert(frame, room);
        }
    }

    private void flush() throws UnreadableException {
        convert(null, swresample.swr_get_out_samples(resampler, 0));
    }

    private void convert(AVFrame from, int room) throws UnreadableException {
        requireRoom(room);
        try (FloatPointer out = new FloatPointer((long) Math.max(1, room) * channels);
                PointerPointer<FloatPointer> planes = new PointerPointer<>(1)) {
            planes.put(0, out);
            int made = swresample.swr_convert(
                    resampler,
                    planes,
                    room,
                    from == null ? new PointerPointer<>() : from.extended_data(),
                    from == null ? 0 : from.nb_samples());
            if (made > 0) {
                converted = converted.length < made * channels ? new float[made * channels] : converted;
                out.get(converted, 0, made * channels);
                store.add(converted, made * channels);
            }
        } catch (IOException e) {
            throw noRoom(e);
        }
    }

    private void fillHole(double at) throws UnreadableException {
        double expected = startSeconds + before + joinedSeconds + (double) (store.count() / channels) / RATE;
        double hole = at - expected;
        if (isJoint(expected, at)) {
            joinedSeconds += hole;
        } else if (hole > HOLE_SECONDS + resamplerDelay()) {
            int silent = (int) Math.min(Integer.MAX_VALUE / 16, Math.round(hole * RATE));
            requireRoom(silent);
            try {
                store.addSilence((long) silent * channels);
            } catch (IOException e) {
                throw noRoom(e);
            }
        }
    }

    /** Whether another recording begins here, with later times for pictures and sound alike. */
    private boolean isJoint(double from, double to) throws UnreadableException {
        if (!TimeJumps.isOne(to - from, 0) || !TimeJumps.mayBeIn(input)) {
            return false;
        }
        if (jumps == null) {
            try (MediaInput again = input.again()) {
                jumps = TimeJumps.of(again);
            }
        }
        return jumps.isAt(from, to);
    }

    private double resamplerDelay() {
        return swresample.swr_get_delay(resampler, RATE) / (double) RATE;
    }

    private void requireRoom(int moments) throws UnreadableException {
        if (store.count() + (long) moments * channels > (long) LONGEST_SECONDS * RATE * channels) {
            throw UnreadableException.of(
                    input.file(),
                    "holds more than " + LONGEST_SECONDS / 3600 + " hours of sound",
                    "Cut out the part that the shot needs.");
        }
    }

    private UnreadableException noRoom(IOException e) {
        return UnreadableException.of(
                input.file(),
                "holds sound for which the disk has no room (" + e.getMessage() + ")",
                "Free some space where the system keeps temporary files.",
                e);
    }

    private double seconds() {
        long time = frame.best_effort_timestamp();
        AVRational base = input.stream(stream).time_base();
        return time == avutil.AV_NOPTS_VALUE ? Double.NaN : (double) time * base.num() / base.den();
    }

    private SwrContext newResampler() throws UnreadableException {
        SwrContext made = new SwrContext(null);
        try (AVChannelLayout stereo = new AVChannelLayout()) {
            avutil.av_channel_layout_default(stereo, channels);
            int set = swresample.swr_alloc_set_opts2(
                    made,
                    stereo,
                    avutil.AV_SAMPLE_FMT_FLT,
                    RATE,
                    frame.ch_layout(),
                    frame.format(),
                    frame.sample_rate(),
                    0,
                    null);
            if (set < 0 || swresample.swr_init(made) < 0) {
                throw UnreadableException.of(
                        input.file(), "has sound in a form that can't be converted", "Save it as a WAV file.");
            }
        }
        return made;
    }

    @Override
    public void close() {
        if (resampler != null) {
            swresample.swr_free(resampler);
        }
        avcodec.av_packet_free(packet);
        avutil.av_frame_free(frame);
        avcodec.avcodec_free_context(decoder);
        store.close();
        input.close();
    }
}
