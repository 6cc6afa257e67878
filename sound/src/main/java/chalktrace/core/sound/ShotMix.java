package chalktrace.core.sound;

import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** All sounds of a shot on its ruler, mixed on demand to two channels at 48 kHz. Immutable; any thread may read it. */
public final class ShotMix {

    public static final int SAMPLE_RATE = 48_000;
    public static final int CHANNELS = 2;

    /**
     * Where a sound is cut it comes and goes within so many samples about the cut, in a straight line: no cut clicks, and two
     * parts of one sound that meet at a cut are together what they were.
     */
    private static final int CUT_SAMPLES = 96;

    /**
     * @param first of the sound's samples that is heard
     * @param end the sample after the last one heard
     * @param in how many samples it takes to come, @param out to go
     */
    private record Voice(PcmBuffer sound, long startSample, long first, long end, float gain, long in, long out) {

        boolean cutAtHead() {
            return first > 0;
        }

        boolean cutAtTail() {
            return end < sound.length();
        }

        long firstHeard() {
            return cutAtHead() && in == 0 ? first - CUT_SAMPLES / 2 : first;
        }

        long endHeard() {
            return cutAtTail() && out == 0 ? end + CUT_SAMPLES / 2 : end;
        }

        /** The factor for a sample that is heard. */
        float gainAt(long sample) {
            double level = gain;
            if (in > 0 && sample - first < in) {
                level *= Math.sin(Math.PI / 2 * (sample - first + 0.5) / in);
            } else if (in == 0 && cutAtHead()) {
                level *= Math.min(1, (sample - firstHeard() + 0.5) / CUT_SAMPLES);
            }
            if (out > 0 && end - sample <= out) {
                level *= Math.sin(Math.PI / 2 * (end - sample - 0.5) / out);
            } else if (out == 0 && cutAtTail()) {
                level *= Math.min(1, (endHeard() - sample - 0.5) / CUT_SAMPLES);
            }
            return (float) level;
        }
    }

    private final List<Voice> voices;

    private ShotMix(List<Voice> voices) {
        this.voices = List.copyOf(voices);
    }

    /**
     * @throws IllegalArgumentException when a sound has another rate than {@link #SAMPLE_RATE}: a source of sounds
     *     converts them
     */
    public static ShotMix of(Shot shot, SoundSource sounds) {
        List<Voice> voices = new ArrayList<>();
        boolean alone = shot.sounds().stream().anyMatch(SoundClip::solo);
        for (SoundClip clip : shot.sounds()) {
            Optional<PcmBuffer> pcm = sounds.of(clip);
            if (pcm.isPresent() && !clip.muted() && (clip.solo() || !alone)) {
                if (pcm.get().sampleRate() != SAMPLE_RATE) {
                    throw new IllegalArgumentException("Sounds are mixed at 48000 samples a second, not at "
                            + pcm.get().sampleRate() + ".");
                }
                voices.add(new Voice(
                        pcm.get(),
                        Math.round(clip.startSeconds() * SAMPLE_RATE),
                        Math.round(clip.trim().headSeconds() * SAMPLE_RATE),
                        pcm.get().length() - Math.round(clip.trim().tailSeconds() * SAMPLE_RATE),
                        (float) clip.gain(),
                        Math.round(clip.fade().inSeconds() * SAMPLE_RATE),
                        Math.round(clip.fade().outSeconds() * SAMPLE_RATE)));
            }
        }
        return new ShotMix(voices);
    }

    public boolean isSilent() {
        return voices.isEmpty();
    }

    /**
     * The mix from a sample on.
     *
     * @param from sample counted from the shot's first frame
     * @param count moments
     * @return left and right side by side, 2 x count values, held within -1 to 1
     */
    public float[] render(long from, int count) {
        float[] out = new float[CHANNELS * count];
        for (Voice voice : voices) {
            int rightChannel = Math.min(1, voice.sound.channels() - 1);
            long offset = from - voice.startSample;
            int first = (int) Math.max(0, Math.min(count, voice.firstHeard() - offset));
            int end = (int) Math.max(0, Math.min(count, voice.endHeard() - offset));
            for (int i = first; i < end; i++) {
                float gain = voice.gainAt(offset + i);
                out[2 * i] += gain * voice.sound.at(offset + i, 0);
                out[2 * i + 1] += gain * voice.sound.at(offset + i, rightChannel);
            }
        }
        for (int i = 0; i < out.length; i++) {
            out[i] = Math.max(-1, Math.min(1, out[i]));
        }
        return out;
    }
}
