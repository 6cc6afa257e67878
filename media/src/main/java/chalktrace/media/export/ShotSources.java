package chalktrace.media.export;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.core.render.FootagePictures;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.SoundSource;
import chalktrace.media.UnreadableException;
import chalktrace.media.footage.Reference;
import chalktrace.media.footage.References;
import chalktrace.media.sound.SoundFiles;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * The footage and sound of one shot, opened for work that waits for every picture, such as an export. Pictures are the
 * source's own. Lives on one thread; must be closed.
 */
public final class ShotSources implements FootagePictures, SoundSource, AutoCloseable {

    private final Shot shot;
    private final Map<String, Reference> footage = new HashMap<>();
    private final Map<String, PcmBuffer> sounds = new HashMap<>();
    private final Map<String, Picture> lastGood = new HashMap<>();
    private final Set<String> problems = new LinkedHashSet<>();

    private ShotSources(Shot shot) {
        this.shot = shot;
    }

    /**
     * @param withFootage whether pictures will be asked for
     * @throws UnreadableException when a file that is needed is missing or can't be read
     */
    public static ShotSources open(Shot shot, boolean withFootage) throws UnreadableException {
        ShotSources sources = new ShotSources(shot);
        try {
            for (Footage clip : withFootage ? seen(shot) : List.<Footage>of()) {
                sources.footage.put(clip.id(), References.open(clip, shot));
            }
            for (SoundClip clip : heard(shot)) {
                sources.sounds.put(clip.id(), SoundFiles.read(Path.of(clip.file())));
            }
        } catch (UnreadableException | RuntimeException e) {
            sources.close();
            throw e;
        }
        return sources;
    }

    /** The files that {@link #open} reads. */
    public static List<String> files(Shot shot, boolean withFootage) {
        return Stream.concat(
                        (withFootage ? seen(shot) : List.<Footage>of()).stream().map(Footage::file),
                        heard(shot).stream().map(SoundClip::file))
                .toList();
    }

    private static List<Footage> seen(Shot shot) {
        return shot.footage().stream()
                .filter(clip -> clip.visible() && clip.where() != Footage.Where.BESIDE_BOARD)
                .toList();
    }

    private static List<SoundClip> heard(Shot shot) {
        return shot.sounds().stream().filter(clip -> !clip.muted()).toList();
    }

    /** Where a picture is damaged the last good one stands in for it, and {@link #problems} says so. */
    @Override
    public Optional<Shown> at(Footage clip, int frame) {
        Reference reference = footage.get(clip.id());
        if (reference == null) {
            return Optional.empty();
        }
        Optional<Footage.Showing> showing = clip.at(frame, shot.setup().rate(), reference.times());
        if (showing.isEmpty()) {
            return Optional.empty();
        }
        try {
            PictureSource pictures = reference.of(clip, shot.setup());
            lastGood.put(clip.id(), pictures.picture(showing.get().picture()));
            pictures.doubt(showing.get().picture()).ifPresent(problems::add);
        } catch (PictureUnavailableException e) {
            problems.add(e.getMessage());
        }
        return Optional.ofNullable(lastGood.get(clip.id()))
                .map(picture -> new Shown(
                        picture,
                        reference.of(clip, shot.setup()).displaySize(),
                        reference.turnDegrees(),
                        showing.get().region()));
    }

    @Override
    public Optional<PcmBuffer> of(SoundClip clip) {
        return Optional.ofNullable(sounds.get(clip.id()));
    }

    /** What went wrong with single pictures, one sentence each. */
    public List<String> problems() {
        return new ArrayList<>(problems);
    }

    @Override
    public void close() {
        footage.values().forEach(Reference::close);
    }
}
