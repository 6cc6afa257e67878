package chalktrace.media.codec;

import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * Which parts of a track are seen, and when, as an ISO base media file lists them (ISO/IEC 14496-12, 8.6.6). Of one part the container's reader knows
 * itself; of several, what lies between them has to be decoded, or the pictures after a cut lean on what was never there.
 */
final class EditList {

    private static final int NORMAL_RATE = 0x10000;

    /**
     * A part of the track.
     *
     * @param seenSeconds when its first picture is seen
     * @param from in seconds of the track
     * @param to in seconds of the track, where it ends
     */
    record Part(double seenSeconds, double from, double to) {}

    private final List<Part> parts;

    private EditList(List<Part> parts) {
        this.parts = parts;
    }

    /** The list of a track, if it has several parts that nowhere show the same twice. @param track as its head numbers it */
    static Optional<EditList> ofSeveral(Path file, int track) {
        try {
            return IsoBox.movie(file).flatMap(movie -> movie.parts("trak")
                    .filter(one -> number(one) == track)
                    .findFirst()
                    .flatMap(one -> of(movie, one)));
        } catch (BufferUnderflowException | IndexOutOfBoundsException e) {
            return Optional.empty();
        }
    }

    private static int number(IsoBox track) {
        ByteBuffer head = track.at("tkhd").map(IsoBox::content).orElse(ByteBuffer.allocate(24));
        return head.getInt(head.get(0) == 1 ? 20 : 12);
    }

    /** Ticks a second, which stands in the heads of movie and media behind two times. */
    private static double ticks(IsoBox head) {
        return head.content().getInt(head.content().get(0) == 1 ? 20 : 12) & 0xFFFFFFFFL;
    }

    private static Optional<EditList> of(IsoBox movie, IsoBox track) {
        Optional<Double> movieTicks = movie.at("mvhd").map(EditList::ticks);
        Optional<Double> mediaTicks = track.at("mdia", "mdhd").map(EditList::ticks);
        Optional<ByteBuffer> list =
                track.at("edts", "elst").map(box -> box.content().duplicate());
        if (movieTicks.isEmpty()
                || mediaTicks.isEmpty()
                || list.isEmpty()
                || list.get().remaining() < 8) {
            return Optional.empty();
        }
        ByteBuffer in = list.get();
        boolean isLong = in.get(0) == 1;
        int count = in.position(4).getInt();
        List<Part> parts = new ArrayList<>();
        double seen = 0;
        for (int i = 0; i < count; i++) {
            double seconds = (isLong ? in.getLong() : in.getInt() & 0xFFFFFFFFL) / movieTicks.get();
            long from = isLong ? in.getLong() : in.getInt();
            if (in.getInt() != NORMAL_RATE) {
                return Optional.empty();
            }
            if (from >= 0) {
                double start = from / mediaTicks.get();
                parts.add(new Part(seen, start, start + seconds));
            }
            seen += seconds;
        }
        return parts.size() > 1 && areApart(parts) ? Optional.of(new EditList(parts)) : Optional.empty();
    }

    private static boolean areApart(List<Part> parts) {
        List<Part> sorted =
                parts.stream().sorted(Comparator.comparingDouble(Part::from)).toList();
        for (int i = 1; i < sorted.size(); i++) {
            if (sorted.get(i).from() < sorted.get(i - 1).to()) {
                return false;
            }
        }
        return true;
    }

    /**
     * When a picture is seen that lies in the track from a time on; empty for one that never is.
     *
     * @param unit of the times, in seconds
     */
    OptionalLong seen(long time, long duration, double unit) {
        for (Part part : parts) {
            long from = Math.round(part.from() / unit);
            long to = Math.round(part.to() / unit);
            if (time < to && time + Math.max(1, duration) > from) {
                return OptionalLong.of(Math.round(part.seenSeconds() / unit) + Math.max(time, from) - from);
            }
        }
        return OptionalLong.empty();
    }
}
