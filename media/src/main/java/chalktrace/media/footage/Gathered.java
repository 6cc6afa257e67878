package chalktrace.media.footage;

import chalktrace.core.edit.Edit;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Staging;
import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameRate;
import chalktrace.core.time.PictureTimes;
import chalktrace.media.UnreadableException;
import chalktrace.media.sound.SoundFiles;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/**
 * A file that has been looked at and is ready to be taken into a shot: its pictures, its sound, or both.
 *
 * @param pictures of footage; none for a sound
 * @param soundSeconds how long its sound is; none without sound
 * @param soundOffset when the sound starts after the first picture, in seconds
 * @param startFrame the shot frame at which it is put
 */
public record Gathered(
        Path file, Optional<Pictures> pictures, Optional<Double> soundSeconds, double soundOffset, int startFrame) {

    /** What footage offers to a shot. */
    public record Pictures(
            PictureSize size, FrameRate rate, PictureTimes times, Reference.Kind kind, Optional<Figure> model) {

        /** The rate of a shot that is made for it: the usual one next to its own, or 24 where that is near none. */
        public FrameRate shotRate() {
            return rate.usual().orElse(FrameRate.FILM);
        }

        /** All of it from a shot frame on. */
        Conform whole(int startFrame) {
            Conform whole = Conform.whole(startFrame, times);
            return model.isEmpty() ? whole : new Conform(startFrame, 0, times.count(), 1, Conform.Pace.KEEP_TIME);
        }
    }

    /**
     * Looks at a video, picture, run of pictures or sound.
     *
     * @throws UnreadableException when it can't be taken in
     */
    public static Gathered from(Path file, int startFrame) throws UnreadableException {
        boolean mayBeSound = References.mayHaveSound(file);
        if (mayBeSound && !MediaFacts.hasPictures(file)) {
            return sound(file, startFrame);
        }
        try (Reference reference = References.open(file)) {
            MediaFacts facts = MediaFacts.of(file, reference);
            return new Gathered(
                    file.toAbsolutePath().normalize(),
                    Optional.of(new Pictures(
                            reference.displaySize(),
                            reference.rate(),
                            reference.times(),
                            reference.kind(),
                            reference.figure())),
                    facts.sound().map(MediaFacts.Sound::seconds),
                    facts.sound().isPresent() ? SoundFiles.offset(file, reference.startSeconds()) : 0,
                    startFrame);
        }
    }

    /** Looks at the sound of a file, whether it has pictures or not. */
    public static Gathered sound(Path file, int startFrame) throws UnreadableException {
        return new Gathered(
                file.toAbsolutePath().normalize(),
                Optional.empty(),
                Optional.of(SoundFiles.seconds(file)),
                0,
                startFrame);
    }

    /**
     * The set-up of a shot made for this: the footage's size and length, or the sound's length, and the rate that is asked for, or else that of
     * {@link Pictures#shotRate}.
     */
    public ShotSetup offeredSetup(ShotSetup otherwise, Optional<FrameRate> wantedRate) {
        Optional<Pictures> filmed = pictures.filter(p -> p.model().isEmpty());
        FrameRate rate = wantedRate.orElse(filmed.map(Pictures::shotRate).orElse(otherwise.rate()));
        int length = pictures.map(p ->
                        p.times().count() == 1 ? otherwise.length() : p.whole(0).frames(rate, p.times()))
                .or(() -> soundSeconds.map(seconds -> rate.frameAt(seconds) + 1))
                .orElse(otherwise.length());
        return new ShotSetup(
                rate,
                filmed.map(Pictures::size).orElse(otherwise.size()),
                Math.max(1, Math.min(ShotSetup.LONGEST, startFrame + length)),
                otherwise.firstNumber(),
                otherwise.paper());
    }

    /** The edit that takes all of it in, with ids that are free in the shot. */
    public Edit edit(Shot shot) {
        return edit(shot, pictures.map(p -> p.whole(startFrame)));
    }

    /** Its pictures as footage of a shot; a model is put before a camera that sees all of it. */
    public Footage footage(String id, String name, Conform conform, ShotSetup setup) {
        Footage made = Footage.of(id, name, MediaPath.of(file), conform);
        return pictures.orElseThrow()
                .model()
                .map(figure -> made.withStaging(Staging.of(figure, setup.size())))
                .orElse(made);
    }

    /**
     * The edit that takes a part of it in. Sound comes along where the source keeps its own speed, shifted with the first
     * picture taken; at any other pace it would not fit.
     *
     * @param conform of the pictures; none for a sound
     */
    public Edit edit(Shot shot, Optional<Conform> conform) {
        String path = MediaPath.of(file);
        String name = file.getFileName().toString().replaceFirst("\\.[^.]+$", "");
        boolean soundFits =
                conform.isEmpty() || conform.get().keepsTime() && conform.get().speed() == 1;
        double skipped = conform.flatMap(c -> pictures.map(p -> p.times().seconds(c.firstPicture())))
                .orElse(0.0);
        int start = conform.map(Conform::startFrame).orElse(startFrame);
        String footageId = pictures.isPresent() ? shot.newId("footage") : "";
        Optional<SoundClip> sound = soundSeconds.filter(seconds -> soundFits).map(seconds -> SoundClip.of(
                        shot.newId("sound"), name, path, shot.setup().rate().seconds(start) + soundOffset - skipped)
                .withFootage(footageId));
        return pictures.map(p -> ReferenceEdits.takeIn(
                        footage(footageId, name, conform.orElseGet(() -> p.whole(startFrame)), shot.setup()),
                        sound.map(List::of).orElse(List.of())))
                .orElseGet(() -> ReferenceEdits.takeIn(sound.orElseThrow()));
    }
}
