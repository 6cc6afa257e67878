package chalktrace.app.kernel;

import chalktrace.app.state.MediaFolders;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Shot;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;

/** Media that the open shot names outside its own folder: none of it is read before a person has allowed that, once for a folder. Lives on the FX thread. */
public final class OutsideMedia {

    /** What a file's card and lane say. */
    public static final String HELD_BACK = Words.DESK.of("lies-outside-the-shots-folder");

    private final Document document;
    private final MediaFolders folders;
    private final Jobs jobs;
    private final List<Runnable> whenAllowed = new ArrayList<>();

    public OutsideMedia(Document document, MediaFolders folders, Jobs jobs) {
        this.document = document;
        this.folders = folders;
        this.jobs = jobs;
        document.whenOpened(this::letFileRead);
    }

    public void whenAllowed(Runnable told) {
        whenAllowed.add(told);
    }

    /** Whether a file may not be read; never of a shot that has no file yet. */
    public boolean isHeldBack(String media) {
        Path shot = document.pathProperty().get();
        return shot != null && folders.heldBack(shot, media).isPresent();
    }

    /** The folders that the open shot names and that were not allowed. */
    public List<Path> folders() {
        Path shot = document.pathProperty().get();
        return shot == null ? List.of() : folders.heldBack(shot, files());
    }

    /** Allows all that the open shot names, for good. */
    public void allow() {
        allow(folders());
    }

    /** Allows folders for good: those of files that a person chose. */
    public void allow(Collection<Path> more) {
        if (!more.isEmpty()) {
            folders.allow(more);
            jobs.quietly(folders::keep);
            letFileRead();
            whenAllowed.forEach(Runnable::run);
        }
    }

    /** The question that is asked of a shot that was opened. */
    String question() {
        return Words.DESK.of(
                "this-shot-names-media-outside",
                folders().stream().map(Path::toString).collect(Collectors.joining(", ")));
    }

    private void letFileRead() {
        document.file()
                .mayRead(files().stream().filter(file -> !isHeldBack(file)).toList());
    }

    private List<String> files() {
        Shot shot = document.shot();
        return shot.mediaFiles();
    }
}
