package chalktrace.core.time;

/** A run of frames, {@code start} included, {@code end} excluded, both counted from 0. */
public record FrameRange(int start, int end) {

    /** @throws IllegalArgumentException when the end lies before the start */
    public FrameRange {
        if (end < start) {
            throw new IllegalArgumentException("A range can't end at " + end + " before it starts at " + start + ".");
        }
    }

    public static FrameRange of(int start, int frames) {
        return new FrameRange(start, start + frames);
    }

    public int frames() {
        return end - start;
    }

    public int last() {
        return end - 1;
    }

    public boolean isEmpty() {
        return end == start;
    }

    public boolean contains(int frame) {
        return frame >= start && frame < end;
    }

    public boolean overlaps(FrameRange other) {
        return start < other.end && other.start < end;
    }
}
