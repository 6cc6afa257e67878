package chalktrace.media.footage;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.UnreadableException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.concurrent.ConcurrentHashMap;

/**
 * A run of numbered pictures, or a single one. Each picture is a file of its own and is read when it is asked for. Picture
 * n is the one with the n-th number after the first, so that numbers and frames agree also where pictures are missing.
 */
public final class PictureRun implements Reference {

    /** Numbers that lie farther apart than this, all in all, are no run with gaps but numbers of another kind. */
    private static final int MOST_MISSING = 10_000;

    private static final int MOST_NAMED = 8;

    private final List<Optional<Path>> files;
    private final long firstNumber;
    private final boolean mixedPadding;
    private final PictureSize size;
    private final int turnDegrees;
    private final Map<Integer, String> doubts = new ConcurrentHashMap<>();

    /** @param first of its pictures: the others are seen as it is */
    private PictureRun(List<Optional<Path>> files, long firstNumber, boolean mixedPadding, Path first)
            throws UnreadableException {
        this.files = List.copyOf(files);
        this.firstNumber = firstNumber;
        this.mixedPadding = mixedPadding;
        try (VideoClip picture = VideoClip.open(first)) {
            this.size = picture.displaySize();
            this.turnDegrees = picture.turnDegrees();
        }
    }

    /** @throws UnreadableException when the picture can't be read */
    static PictureRun single(Path file) throws UnreadableException {
        return new PictureRun(List.of(Optional.of(file)), 0, false, file);
    }

    /**
     * @param byNumber the files by their numbers
     * @throws UnreadableException when the first picture can't be read
     */
    static PictureRun open(SortedMap<Long, Path> byNumber) throws UnreadableException {
        long first = byNumber.firstKey();
        long span = byNumber.lastKey() - first + 1;
        List<Optional<Path>> files = new ArrayList<>();
        if (span - byNumber.size() > MOST_MISSING) {
            byNumber.values().forEach(file -> files.add(Optional.of(file)));
        } else {
            for (long number = first; number < first + span; number++) {
                files.add(Optional.ofNullable(byNumber.get(number)));
            }
        }
        return new PictureRun(files, first, isMixed(byNumber), byNumber.get(first));
    }

    /** What is odd about the run, one sentence each. */
    @Override
    public List<String> notes() {
        List<String> notes = new ArrayList<>();
        List<String> missing = new ArrayList<>();
        for (int n = 0; n < files.size(); n++) {
            if (files.get(n).isEmpty()) {
                missing.add(Long.toString(firstNumber + n));
            }
        }
        if (!missing.isEmpty()) {
            notes.add(missing.size() + (missing.size() == 1 ? " picture is" : " pictures are") + " missing: "
                    + String.join(", ", missing.subList(0, Math.min(MOST_NAMED, missing.size())))
                    + (missing.size() > MOST_NAMED ? " ..." : "") + ".");
        }
        if (mixedPadding) {
            notes.add("Some numbers are written with zeros before them and some without.");
        }
        return notes;
    }

    /** Whether the same number of digits is not kept: 0009 and 10, but not 9 and 10. */
    private static boolean isMixed(SortedMap<Long, Path> byNumber) {
        boolean padded = false;
        boolean bare = false;
        int longest = 0;
        for (Map.Entry<Long, Path> one : byNumber.entrySet()) {
            String digits = PictureKind.digits(one.getValue());
            boolean zero = digits.length() > Long.toString(one.getKey()).length();
            padded |= zero;
            longest = zero ? Math.max(longest, digits.length()) : longest;
            bare |= !zero && longest > 0 && digits.length() < longest;
        }
        return padded && bare;
    }

    @Override
    public Kind kind() {
        return files.size() == 1 ? Kind.PICTURE : Kind.PICTURE_RUN;
    }

    @Override
    public PictureSize displaySize() {
        return size;
    }

    @Override
    public PictureTimes times() {
        return PictureTimes.even(rate(), files.size());
    }

    @Override
    public int turnDegrees() {
        return turnDegrees;
    }

    @Override
    public FrameRate rate() {
        return FrameRate.FILM;
    }

    @Override
    public double startSeconds() {
        return 0;
    }

    @Override
    public Picture picture(int n) throws PictureUnavailableException {
        if (n < 0 || n >= files.size()) {
            throw new PictureUnavailableException(
                    "The run has pictures 0 to " + (files.size() - 1) + " (counted from 0), and no picture " + n + ".");
        }
        Path file = files.get(n)
                .orElseThrow(() -> new PictureUnavailableException(
                        "The picture with the number " + (firstNumber + n) + " is missing from the run."));
        try (VideoClip one = VideoClip.open(file)) {
            Picture picture = one.picture(0);
            Optional<String> doubt = one.doubt(0)
                    .or(() -> one.turnDegrees() == turnDegrees
                            ? Optional.empty()
                            : Optional.of(file.getFileName() + " is turned otherwise than the first of the run. Turn it"
                                    + " upright and save it again."))
                    .or(() -> one.displaySize().equals(size)
                            ? Optional.empty()
                            : Optional.of(file.getFileName() + " is " + one.displaySize()
                                    + ", unlike the first of the run, which is " + size + ": it is stretched to fit."));
            doubt.ifPresentOrElse(words -> doubts.put(n, words), () -> doubts.remove(n));
            return picture;
        } catch (UnreadableException e) {
            throw new PictureUnavailableException(e.getMessage(), e);
        }
    }

    @Override
    public Optional<String> doubt(int n) {
        return Optional.ofNullable(doubts.get(n));
    }

    @Override
    public void close() {
        // No file stays open between two pictures.
    }
}
