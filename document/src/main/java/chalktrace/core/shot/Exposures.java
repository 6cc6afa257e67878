package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/**
 * What a level shows on which frames: runs in rising order that never overlap. A frame without a run shows nothing and
 * is free to draw on; a run of {@link Exposure#BLANK} shows nothing on purpose.
 */
public record Exposures(List<Exposure> runs) implements FrameBound<Exposures> {

    public static final Exposures NONE = new Exposures(List.of());

    /** @throws IllegalArgumentException when runs are out of order or overlap */
    public Exposures {
        runs = List.copyOf(runs);
        for (int i = 1; i < runs.size(); i++) {
            if (runs.get(i).start() < runs.get(i - 1).end()) {
                throw new IllegalArgumentException("Exposures must not overlap, as those at frames "
                        + runs.get(i - 1).start() + " and " + runs.get(i).start() + " do.");
            }
        }
    }

    public static Exposures of(Exposure... runs) {
        return new Exposures(List.of(runs));
    }

    public Optional<Exposure> at(int frame) {
        int low = 0;
        int high = runs.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            Exposure run = runs.get(middle);
            if (frame < run.start()) {
                high = middle - 1;
            } else if (frame >= run.end()) {
                low = middle + 1;
            } else {
                return Optional.of(run);
            }
        }
        return Optional.empty();
    }

    /** All runs that show a drawing, in order. */
    public List<Exposure> showing(int drawing) {
        return runs.stream().filter(run -> run.drawing() == drawing).toList();
    }

    /** The nearest frame on which a drawing starts to show. @param direction 1 after {@code frame}, -1 before it */
    public OptionalInt startBeside(int frame, int direction) {
        IntStream starts = runs.stream()
                .filter(run -> !run.isBlank())
                .mapToInt(Exposure::start)
                .filter(start -> (start - frame) * direction > 0);
        return direction > 0 ? starts.min() : starts.max();
    }

    /** The first frame at or after {@code frame} that has a run, or {@code otherwise}. */
    public int nextTaken(int frame, int otherwise) {
        for (Exposure run : runs) {
            if (run.end() > frame) {
                return Math.max(frame, run.start());
            }
        }
        return otherwise;
    }

    /** With a run laid over whatever its frames showed before; what is cut in two keeps both ends. */
    public Exposures with(Exposure run) {
        List<Exposure> out = new ArrayList<>(cleared(run.range()).runs);
        out.add(run);
        out.sort(Comparator.comparingInt(Exposure::start));
        return new Exposures(out);
    }

    /** With nothing on a range of frames; runs that reach into it are trimmed. */
    public Exposures cleared(FrameRange range) {
        List<Exposure> out = new ArrayList<>();
        for (Exposure run : runs) {
            if (!run.range().overlaps(range)) {
                out.add(run);
                continue;
            }
            if (run.start() < range.start()) {
                out.add(run.between(run.start(), range.start()));
            }
            if (run.end() > range.end()) {
                out.add(run.between(range.end(), run.end()));
            }
        }
        return new Exposures(out);
    }

    /** With what starts in a range moved by some frames, over what is there; nothing moves before the first frame. */
    public Exposures shifted(FrameRange range, int by) {
        List<Exposure> moving =
                runs.stream().filter(run -> range.contains(run.start())).toList();
        int held = moving.isEmpty() ? 0 : Math.max(by, -moving.get(0).start());
        Exposures out =
                new Exposures(runs.stream().filter(run -> !moving.contains(run)).toList());
        for (Exposure run : moving) {
            out = out.with(run.movedBy(held));
        }
        return out;
    }

    /** With the run that starts at {@code start} ending elsewhere, taking from what follows or leaving it free. */
    public Exposures trimmed(int start, int newEnd) {
        return at(start)
                .filter(run -> run.start() == start)
                .map(run -> new Exposures(runs.stream().filter(r -> r != run).toList())
                        .with(run.between(start, Math.max(start + 1, newEnd))))
                .orElse(this);
    }

    /** With runs that follow each other and show the same in the same way made one. */
    public Exposures joined() {
        List<Exposure> out = new ArrayList<>();
        for (Exposure run : runs) {
            Exposure last = out.isEmpty() ? null : out.get(out.size() - 1);
            if (last != null
                    && last.end() == run.start()
                    && last.drawing() == run.drawing()
                    && last.placement().equals(run.placement())) {
                out.set(out.size() - 1, last.between(last.start(), run.end()));
            } else {
                out.add(run);
            }
        }
        return new Exposures(out);
    }

    /** Each run keeps at least a frame, unless all of its own are taken out; one that needs it pushes the next on. */
    @Override
    public Optional<Exposures> moved(FrameChange change) {
        List<Exposure> out = new ArrayList<>();
        int free = 0;
        for (Exposure run : runs) {
            Optional<FrameRange> to = change.range(run.range());
            if (to.isPresent()) {
                int start = Math.max(free, to.get().start());
                free = Math.max(start + 1, to.get().end());
                out.add(run.between(start, free));
            }
        }
        return Optional.of(new Exposures(out));
    }

    /** The frame after the last run. */
    public int end() {
        return runs.isEmpty() ? 0 : runs.get(runs.size() - 1).end();
    }
}
