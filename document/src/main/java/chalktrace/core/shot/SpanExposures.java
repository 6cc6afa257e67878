package chalktrace.core.shot;

import chalktrace.core.time.FrameRange;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What a level shows within a span, taken as a row of pieces that can be put in another order, made longer or shorter, and
 * put back. Where the row is longer or shorter than the span, what follows moves along.
 */
public final class SpanExposures {

    /** @param frames how long, @param shows a run; empty where nothing is shown and the frames are free */
    private record Piece(int frames, Optional<Exposure> shows) {

        Piece lasting(int other) {
            return new Piece(other, shows);
        }
    }

    private final Exposures all;
    private final FrameRange span;
    private final List<Piece> pieces;

    private SpanExposures(Exposures all, FrameRange span, List<Piece> pieces) {
        this.all = all;
        this.span = span;
        this.pieces = pieces;
    }

    /** @throws IllegalArgumentException when the span starts before the first frame */
    public static SpanExposures of(Exposures all, FrameRange span) {
        if (span.start() < 0) {
            throw new IllegalArgumentException("A span starts at the first frame or later.");
        }
        List<Piece> pieces = new ArrayList<>();
        int at = span.start();
        for (Exposure run : all.runs()) {
            int from = Math.max(run.start(), span.start());
            int to = Math.min(run.end(), span.end());
            if (from < to) {
                if (at < from) {
                    pieces.add(new Piece(from - at, Optional.empty()));
                }
                pieces.add(new Piece(to - from, Optional.of(run)));
                at = to;
            }
        }
        if (at < span.end()) {
            pieces.add(new Piece(span.end() - at, Optional.empty()));
        }
        return new SpanExposures(all, span, pieces);
    }

    /** How many pieces there are: showings, blanks and free stretches. */
    public int count() {
        return pieces.size();
    }

    /** How long all pieces are together. */
    public int frames() {
        return pieces.stream().mapToInt(Piece::frames).sum();
    }

    /** Where each piece of the span has come to, for a row of the same pieces in the same order; and what follows. */
    public NavigableMap<Integer, Integer> movedFrom(SpanExposures before) {
        NavigableMap<Integer, Integer> to = new TreeMap<>();
        to.put(0, 0);
        int was = span.start();
        int at = span.start();
        for (int i = 0; i < pieces.size(); i++) {
            to.put(was, at);
            was += before.pieces.get(i).frames();
            at += pieces.get(i).frames();
        }
        to.put(was, at);
        return to;
    }

    /** Whether it would show one pose twice in a row when it is repeated: its first and last piece are the same. */
    public boolean repeatsItsFirstPose() {
        return pieces.size() > 1
                && pieces.get(0).shows().isPresent()
                && pieces.get(0)
                        .shows()
                        .map(Exposure::drawing)
                        .equals(pieces.get(pieces.size() - 1).shows().map(Exposure::drawing));
    }

    private SpanExposures with(List<Piece> others) {
        return new SpanExposures(all, span, others);
    }

    public SpanExposures removed() {
        return with(List.of());
    }

    public SpanExposures reversed() {
        List<Piece> out = new ArrayList<>(pieces);
        Collections.reverse(out);
        return with(out);
    }

    /** @throws IllegalArgumentException when it is to be shown less than once */
    public SpanExposures repeated(int times) {
        if (times < 1) {
            throw new IllegalArgumentException("A span is repeated once or more, not " + times + " times.");
        }
        if ((long) times * span.frames() > ShotSetup.LONGEST) {
            throw new IllegalArgumentException(
                    "Repeated " + times + " times this span would be longer than a shot can be (" + ShotSetup.LONGEST
                            + " frames): nothing was changed.");
        }
        List<Piece> out = new ArrayList<>();
        for (int i = 0; i < times; i++) {
            out.addAll(pieces);
        }
        return with(out);
    }

    /** There and back again; the turning pose and the first are not shown twice in a row, so that it loops. */
    public SpanExposures toAndFro() {
        List<Piece> out = new ArrayList<>(pieces);
        for (int i = pieces.size() - 2; i > 0; i--) {
            out.add(pieces.get(i));
        }
        return with(out);
    }

    /**
     * Made as long as a number of frames, each piece in its share, on whole frames.
     *
     * @throws IllegalArgumentException when there are more pieces than frames, so that one would be lost
     */
    public SpanExposures stretched(int frames) {
        if (frames < Math.max(1, pieces.size())) {
            throw new IllegalArgumentException("These " + pieces.size() + " showings need at least as many frames, not "
                    + frames + ": nothing was changed.");
        }
        List<Piece> out = new ArrayList<>();
        double ratio = frames / (double) span.frames();
        int before = 0;
        int at = 0;
        for (int i = 0; i < pieces.size(); i++) {
            at += pieces.get(i).frames();
            int left = pieces.size() - i - 1;
            int end = (int) Math.max(before + 1, Math.min(frames - left, Math.round(at * ratio)));
            out.add(pieces.get(i).lasting(end - before));
            before = end;
        }
        return with(out);
    }

    /** Each piece held for the same number of frames. */
    public SpanExposures each(int frames) {
        return with(
                pieces.stream().map(piece -> piece.lasting(Math.max(1, frames))).toList());
    }

    /** What shows on every n-th frame, held until the next of these; what shows only between falls out. The length stays. */
    public SpanExposures sampled(int everyFrames) {
        int every = Math.max(1, everyFrames);
        List<Piece> out = new ArrayList<>();
        for (int frame = span.start(); frame < span.end(); frame += every) {
            int length = Math.min(every, span.end() - frame);
            out.add(new Piece(length, all.at(frame)));
        }
        return with(out);
    }

    /** The pieces over what another place shows; what is there already is replaced, nothing moves. */
    public Exposures copiedTo(int frame) {
        Exposures out = all;
        int at = frame;
        for (Piece piece : pieces) {
            FrameRange there = FrameRange.of(at, piece.frames());
            out = out.cleared(there);
            if (piece.shows().isPresent()) {
                out = out.with(at(piece, at));
            }
            at += piece.frames();
        }
        return out.joined();
    }

    /** Back in its place; what follows the span moves by as much as it has become longer or shorter. */
    public Exposures put() {
        int by = frames() - span.frames();
        List<Exposure> out = new ArrayList<>();
        for (Exposure run : all.cleared(span).runs()) {
            out.add(run.start() >= span.end() ? run.movedBy(by) : run);
        }
        int at = span.start();
        List<Exposure> inner = new ArrayList<>();
        for (Piece piece : pieces) {
            if (piece.shows().isPresent()) {
                inner.add(at(piece, at));
            }
            at += piece.frames();
        }
        int before =
                (int) out.stream().filter(run -> run.start() < span.start()).count();
        out.addAll(before, inner);
        return new Exposures(out).joined();
    }

    private static Exposure at(Piece piece, int start) {
        Exposure run = piece.shows().orElseThrow();
        return new Exposure(start, piece.frames(), run.drawing(), run.placement());
    }
}
