package chalktrace.media.footage;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.space.Figure;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.UnreadableException;
import chalktrace.media.codec.SoundDecoder;
import chalktrace.media.codec.VideoDecoder;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What a media file is. @param notes what is odd about it, one sentence each */
public record MediaFacts(
        String kind, Optional<Pictures> pictures, Optional<Sound> sound, Optional<Figure> model, List<String> notes) {

    /** Its pictures: size as seen, how many, the stated rate, and how long they last. */
    public record Pictures(PictureSize size, int count, FrameRate rate, double seconds) {}

    /** Its sound, as it is stored. */
    public record Sound(int sampleRate, int channels, double seconds) {}

    /** @throws UnreadableException when it is neither picture nor sound, or is damaged */
    public static MediaFacts of(Path file) throws UnreadableException {
        boolean mayHaveSound = References.mayHaveSound(file);
        if (mayHaveSound && !hasPictures(file)) {
            return new MediaFacts("sound", Optional.empty(), Optional.of(sound(file)), Optional.empty(), List.of());
        }
        try (Reference reference = References.open(file)) {
            return of(file, reference);
        }
    }

    /** As {@link #of(Path)}, of footage that is open. */
    static MediaFacts of(Path file, Reference reference) throws UnreadableException {
        boolean hasSound = reference.kind() == Reference.Kind.VIDEO && SoundDecoder.has(file);
        return new MediaFacts(
                reference.kind().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                Optional.of(pictures(reference)),
                hasSound ? Optional.of(sound(file)) : Optional.empty(),
                reference.figure(),
                reference.notes());
    }

    /** Whether a media file holds pictures to step through, cover art left out. */
    public static boolean hasPictures(Path file) throws UnreadableException {
        return VideoDecoder.has(file);
    }

    private static Pictures pictures(Reference reference) {
        PictureTimes times = reference.times();
        return new Pictures(
                reference.displaySize(), times.count(), reference.rate(), times.endSeconds(times.count() - 1));
    }

    private static Sound sound(Path file) throws UnreadableException {
        SoundDecoder.Facts facts = SoundDecoder.facts(file);
        return new Sound(facts.sampleRate(), facts.channels(), facts.seconds());
    }
}
