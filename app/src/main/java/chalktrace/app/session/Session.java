package chalktrace.app.session;

import chalktrace.app.controls.WhileWanted;
import chalktrace.app.footage.Footages;
import chalktrace.app.footage.Proxies;
import chalktrace.app.footage.Thumbnails;
import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Jobs;
import chalktrace.app.kernel.Keeping;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.OutsideMedia;
import chalktrace.app.kernel.Proposals;
import chalktrace.app.kernel.Selection;
import chalktrace.app.kernel.Shelf;
import chalktrace.app.keys.KeySet;
import chalktrace.app.sound.SoundMoves;
import chalktrace.app.sound.Sounds;
import chalktrace.app.sound.Transport;
import chalktrace.app.sound.VoiceSound;
import chalktrace.app.state.MediaFolders;
import chalktrace.app.state.Preferences;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.media.sound.SoundOut;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Supplier;

/** All that is open at one time: the document and what works on it. The parts of the window share one. */
public final class Session {

    /** How often the files of the footage are looked at for changes. */
    private static final int CHANGES_SECONDS = 3;

    private final Path stateFolder;
    private final Document document;
    private final Selection selection;
    private final View view = new View();
    private final Pen pen = new Pen();
    private final Jobs jobs = new Jobs();
    private final Notices notices = new Notices();
    private final Preferences preferences;
    private final OutsideMedia outsideMedia;
    private final Proxies proxies;
    private final Footages footages;
    private final Thumbnails thumbnails;
    private final Sounds sounds;
    private final Transport transport;
    private final Keeping keeping;
    private final Proposals proposals;
    private final Shelf shelf;
    private final Gathering gathering;
    private final Looking looking;
    private final Comparing comparing;
    private final Timing timing;
    private final KeySet keys;
    private final VoiceSound voiceSound;
    private final SoundMoves soundMoves;

    /**
     * @param devices opens the sound device, or its stand-in
     * @param stateFolder where the program keeps what is not part of a shot
     */
    public Session(Supplier<SoundOut> devices, Path stateFolder) {
        this.stateFolder = stateFolder;
        document = new Document(Shot.empty(Shelf.UNTITLED, ShotSetup.standard()), notices);
        selection = new Selection(document);
        preferences = new Preferences(stateFolder);
        keys = new KeySet(stateFolder);
        outsideMedia = new OutsideMedia(document, new MediaFolders(stateFolder), jobs);
        proxies = new Proxies(jobs, notices, preferences);
        footages = new Footages(document, proxies, outsideMedia);
        thumbnails = new Thumbnails(footages, proxies, preferences);
        sounds = new Sounds(document, outsideMedia);
        transport = new Transport(document, sounds, devices);
        transport.playingProperty().addListener((property, before, playing) -> {
            footages.setRunning(playing);
            jobs.hold(playing);
        });
        AsLeft.keep(preferences, view, transport);
        WhileWanted.hear(
                () -> view.awaitedProperty().get() != null,
                List.of(view.awaitedProperty()),
                () -> view.awaitedProperty().set(null),
                transport.frameProperty());
        jobs.repeat(footages::lookForChanges, CHANGES_SECONDS);
        proposals = new Proposals(document, jobs, notices);
        keeping = new Keeping(notices);
        shelf = new Shelf(document, jobs, notices, keeping, outsideMedia, preferences, stateFolder);
        jobs.repeat(shelf::lookForPlace, CHANGES_SECONDS);
        looking = new Looking(document, transport);
        // What is looked at before it is imported has to be seen.
        looking.sourceProperty().addListener((property, before, now) -> {
            if (now != null) {
                view.footageOffProperty().set(false);
            }
        });
        comparing = new Comparing(document);
        gathering = new Gathering(document, proposals, notices, looking, outsideMedia);
        timing = new Timing(document, selection, transport, jobs, notices);
        transport.latencyMillisProperty().set(preferences.outputLatencyMillis());
        voiceSound = new VoiceSound(document, sounds, notices);
        soundMoves = new SoundMoves(document, voiceSound, sounds, transport, proposals, notices);
    }

    /** Where the program keeps what is not part of a shot. */
    public Path stateFolder() {
        return stateFolder;
    }

    public Document document() {
        return document;
    }

    public Shot shot() {
        return document.shot();
    }

    public Selection selection() {
        return selection;
    }

    public View view() {
        return view;
    }

    public Pen pen() {
        return pen;
    }

    public Jobs jobs() {
        return jobs;
    }

    /** Keeps unsaved work for a crash. */
    public Keeping keeping() {
        return keeping;
    }

    /** By which work in the background changes the shot. */
    public Proposals proposals() {
        return proposals;
    }

    public Notices notices() {
        return notices;
    }

    public Footages footages() {
        return footages;
    }

    /** Which key does what. */
    public KeySet keys() {
        return keys;
    }

    public Preferences preferences() {
        return preferences;
    }

    /** Which media outside the shot's folder may be read. */
    public OutsideMedia outsideMedia() {
        return outsideMedia;
    }

    public Proxies proxies() {
        return proxies;
    }

    public Thumbnails thumbnails() {
        return thumbnails;
    }

    public Sounds sounds() {
        return sounds;
    }

    public Transport transport() {
        return transport;
    }

    public Shelf shelf() {
        return shelf;
    }

    public Gathering gathering() {
        return gathering;
    }

    public Looking looking() {
        return looking;
    }

    /** An earlier state, or another shot, that is looked at in step with this one. */
    public Comparing comparing() {
        return comparing;
    }

    public VoiceSound voiceSound() {
        return voiceSound;
    }

    public SoundMoves soundMoves() {
        return soundMoves;
    }

    public Timing timing() {
        return timing;
    }

    /** Where the next stroke lands. */
    public StrokeLanding landing() {
        return Landings.next(document.shot(), selection, transport, view);
    }

    /** For how many frames a new drawing of the current level shows from the gate on. */
    public int framesFromHere() {
        Shot shot = document.shot();
        return shot.drawnOn(String.valueOf(selection.level())).framesFrom(shot, transport.frame());
    }

    /** Looks for the sound device, once the window is there. */
    public void openSoundDevice() {
        transport.openDevice();
    }

    /** Lets go of all files and threads. */
    public void close() {
        transport.close();
        shelf.close();
        jobs.close();
        preferences.close();
        thumbnails.close();
        proxies.close(footages.close());
        sounds.close();
    }
}
