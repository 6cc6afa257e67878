package chalktrace.core.sound;

/**
 * The way that play takes over a shot's samples: at any speed, forwards or backwards, once, round and round, or to and
 * fro. It says which place of the shot belongs to each sample that the device has played. At a speed other than 1 the
 * pitch changes with it, as on tape.
 *
 * @param from the first place, in samples from the shot's first frame
 * @param start of what is played
 * @param end after what is played
 * @param speed 1 for the shot's own, negative for backwards
 */
public record PlayPath(long from, long start, long end, double speed, Round round) {

    /** What happens at the end. */
    public enum Round {
        ONCE,
        LOOP,
        TO_AND_FRO
    }

    /** @throws IllegalArgumentException when nothing is played or the speed is 0 */
    public PlayPath {
        if (end <= start || speed == 0 || !Double.isFinite(speed)) {
            throw new IllegalArgumentException("Play goes over at least one sample, at a speed other than 0.");
        }
        from = Math.max(start, Math.min(end - 1, from));
    }

    /** The place of the shot that is heard when so many samples have been played, in samples; parts included. */
    public double placeAt(long played) {
        double raw = from - start + speed * played;
        double length = end - start;
        double within =
                switch (round) {
                    case ONCE -> Math.max(0, Math.min(length, raw));
                    case LOOP -> raw - Math.floor(raw / length) * length;
                    case TO_AND_FRO -> {
                        double folded = raw - Math.floor(raw / (2 * length)) * 2 * length;
                        yield folded < length ? folded : 2 * length - folded;
                    }
                };
        return start + within;
    }

    /** Whether all has been heard. */
    public boolean isOverAt(long played) {
        double raw = from - start + speed * played;
        return round == Round.ONCE && (raw < 0 || raw >= end - start);
    }

    /**
     * What is heard from a sample on.
     *
     * @return left and right side by side, 2 x count values
     */
    public float[] render(ShotMix mix, long played, int count) {
        if (speed == 1 && placeAt(played + count - 1) - placeAt(played) == count - 1) {
            return mix.render(Math.round(placeAt(played)), count);
        }
        double lowest = Double.MAX_VALUE;
        double highest = -Double.MAX_VALUE;
        double[] places = new double[count];
        for (int i = 0; i < count; i++) {
            places[i] = placeAt(played + i);
            lowest = Math.min(lowest, places[i]);
            highest = Math.max(highest, places[i]);
        }
        // A chunk that runs over the end of a loop would need all of it: it is rendered in two parts.
        if (highest - lowest > 4.0 * count * Math.max(1, Math.abs(speed))) {
            int half = count / 2;
            if (half == 0) {
                return mix.render(Math.round(places[0]), 1);
            }
            float[] both = new float[2 * count];
            System.arraycopy(render(mix, played, half), 0, both, 0, 2 * half);
            System.arraycopy(render(mix, played + half, count - half), 0, both, 2 * half, 2 * (count - half));
            return both;
        }
        return between(mix, places, (long) Math.floor(lowest), (int) (highest - lowest) + 3);
    }

    private static float[] between(ShotMix mix, double[] places, long first, int span) {
        float[] source = mix.render(first, span);
        float[] out = new float[2 * places.length];
        for (int i = 0; i < places.length; i++) {
            int left = (int) (places[i] - first);
            float share = (float) (places[i] - first - left);
            for (int channel = 0; channel < 2; channel++) {
                float a = source[2 * left + channel];
                float b = source[2 * left + 2 + channel];
                out[2 * i + channel] = a + (b - a) * share;
            }
        }
        return out;
    }
}
