package chalktrace.media.codec;

import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

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
    private record Part(double seenSeconds, double from, double to) {}

    /** A packet whose picture is seen from a time on, in the stream's unit, which says for how long as well. */
    record Shown(int packet, long time, long duration) {}

    private final List<Part> parts;

    private EditList(List<Part> parts) {
        this.parts = parts;
    }

    /** The list of a track, if it has several parts or some of no length. @param track as its head numbers it */
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

    /**
     * From where on, in seconds of the track, all of it is heard or seen, if its list says no more than that, with a part without a length.
     *
     * @param track as its head numbers it
     */
    static OptionalDouble onlyStart(Path file, int track) {
        return ofSeveral(file, track)
                .filter(list -> list.parts.size() == 1 && list.parts.get(0).to() == Double.MAX_VALUE)
                .map(list -> OptionalDouble.of(list.parts.get(0).from()))
                .orElse(OptionalDouble.empty());
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
        Optional<Part> empty = Optional.empty();
        double seen = 0;
        for (int i = 0; i < count; i++) {
            double seconds = (isLong ? in.getLong() : in.getInt() & 0xFFFFFFFFL) / movieTicks.get();
            long from = isLong ? in.getLong() : in.getInt();
            if (in.getInt() != NORMAL_RATE) {
                return Optional.empty();
            }
            double start = from / mediaTicks.get();
            if (from >= 0 && seconds > 0) {
                parts.add(new Part(seen, start, start + seconds));
            } else if (from >= 0) {
                empty = Optional.of(new Part(seen, start, Double.MAX_VALUE));
            }
            seen += seconds;
        }
        // A part without a length, alone, is all that comes from there on: programs write it before they know how long
        // that is.
        if (parts.isEmpty()) {
            empty.ifPresent(parts::add);
        }
        return parts.size() > 1 || empty.isPresent() ? Optional.of(new EditList(parts)) : Optional.empty();
    }

    /**
     * What is seen of a track, in turn; a picture that lies in several parts as often.
     *
     * @param packets all of them with times
     * @param unit of the times, in seconds
     */
    List<Shown> shown(List<PacketIndex.Packet> packets, double unit) {
        List<Integer> inTrack = IntStream.range(0, packets.size())
                .boxed()
                .sorted(Comparator.comparingLong(p -> packets.get(p).seen()))
                .toList();
        List<Shown> shown = new ArrayList<>();
        for (Part part : parts) {
            long from = Math.round(part.from() / unit);
            long to = Math.round(part.to() / unit);
            long seen = Math.round(part.seenSeconds() / unit);
            for (int p : inTrack) {
                long start = Math.max(from, packets.get(p).seen());
                long end = Math.min(
                        to, packets.get(p).seen() + Math.max(1, packets.get(p).duration()));
                if (start < end) {
                    shown.add(new Shown(p, seen + start - from, end - start));
                }
            }
        }
        return shown;
    }
}
