package chalktrace.app.session;

import chalktrace.app.kernel.Document;
import chalktrace.app.sound.Transport;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.time.Conform;
import chalktrace.media.footage.Gathered;
import chalktrace.media.footage.MediaPath;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/**
 * A look at footage before it is taken in: it stands in place of the shot, each of its pictures one frame at its own rate,
 * so that it is stepped and played as the shot is. Lives on the FX thread.
 */
public final class Looking {

    private final Document document;
    private final Transport transport;
    private final ReadOnlyObjectWrapper<Gathered> source = new ReadOnlyObjectWrapper<>();
    private int frameBefore;

    Looking(Document document, Transport transport) {
        this.document = document;
        this.transport = transport;
        document.whenOpened(() -> source.set(null));
    }

    /** What is looked at; null for nothing. */
    public ReadOnlyObjectProperty<Gathered> sourceProperty() {
        return source.getReadOnlyProperty();
    }

    /** Looks at footage. */
    public void at(Gathered footage) {
        if (source.get() == null) {
            frameBefore = transport.frame();
        }
        transport.stop();
        document.look(shotOf(footage, document.shot().setup()));
        transport.go(0);
        source.set(footage);
    }

    /** Goes back to the shot. */
    public void end() {
        if (source.get() != null) {
            transport.stop();
            source.set(null);
            document.look(null);
            transport.go(frameBefore);
        }
    }

    /**
     * Takes what is looked at into the shot.
     *
     * @param conform which of its pictures, and how they meet the shot
     * @param setup of the shot afterwards
     */
    public void takeIn(Conform conform, ShotSetup setup) {
        Gathered footage = source.get();
        end();
        document.apply(new Edit(Words.GATHER.of("import", footage.file().getFileName()), shot -> {
            Shot set = shot.withSetup(setup);
            return footage.edit(set, Optional.of(conform)).change().apply(set);
        }));
        transport.go(conform.startFrame());
    }

    private static Shot shotOf(Gathered footage, ShotSetup like) {
        Gathered.Pictures pictures = footage.pictures().orElseThrow();
        int count = pictures.times().count();
        String path = MediaPath.of(footage.file());
        Shot shot = Shot.empty(
                footage.file().getFileName().toString(),
                new ShotSetup(
                        pictures.rate(),
                        pictures.size(),
                        Math.min(count, ShotSetup.LONGEST),
                        like.firstNumber(),
                        like.paper()));
        return shot.withLevels(List.of())
                .withFootage(List.of(footage.footage(
                        "look-footage",
                        shot.name(),
                        new Conform(0, 0, count, 1, count == 1 ? Conform.Pace.HELD : Conform.Pace.PICTURE_FOR_FRAME),
                        shot.setup())))
                .withSounds(
                        footage.soundSeconds().isEmpty()
                                ? List.of()
                                : List.of(SoundClip.of("look-sound", shot.name(), path, footage.soundOffset())));
    }
}
