package chalktrace.app.session;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.OutsideMedia;
import chalktrace.app.kernel.Proposals;
import chalktrace.app.state.MediaFolders;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.edit.timing.RateEdits;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRate;
import chalktrace.media.footage.ContentMark;
import chalktrace.media.footage.Gathered;
import chalktrace.media.footage.LostFiles;
import chalktrace.media.footage.MediaPath;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** Takes footage and sound into the open shot, in the background. */
public final class Gathering {

    private final Document document;
    private final Proposals proposals;
    private final Notices notices;
    private final Looking looking;
    private final OutsideMedia outside;

    Gathering(Document document, Proposals proposals, Notices notices, Looking looking, OutsideMedia outside) {
        this.outside = outside;
        this.looking = looking;
        this.document = document;
        this.proposals = proposals;
        this.notices = notices;
    }

    /**
     * Takes files in one after the other, each from a frame on. Into a shot with nothing in it the first clip also brings
     * its rate, size and length.
     */
    public void takeIn(List<Path> files, int frame) {
        for (Path file : files) {
            look(file, frame, this::accept);
        }
    }

    /** Shows footage in place of the shot, to choose from; sounds are taken in at once. */
    public void lookAt(List<Path> files, int frame) {
        for (Path file : files) {
            look(file, frame, gathered -> {
                if (gathered.pictures().isPresent()) {
                    looking.at(gathered);
                } else {
                    accept(gathered);
                }
            });
        }
    }

    /** Puts a file in the place of one, and looks in its folder, and below, for all others that are missing. */
    public void find(String lost, Path found) {
        search(found.toAbsolutePath().getParent(), Map.of(lost, MediaPath.of(found)));
    }

    /** Looks in a folder, and all below it, for every file of the shot that is missing. */
    public void findAll(Path folder) {
        search(folder, Map.of());
    }

    private void search(Path folder, Map<String, String> known) {
        Map<Path, ContentMark> marks = document.file().marks();
        proposals.propose(
                Words.GATHER.of("look-for-missing-files"),
                shot -> List.of(shot.footage(), shot.sounds()),
                (shot, job) -> {
                    List<Path> lost = shot.mediaFiles().stream()
                            .filter(file -> !known.containsKey(file))
                            .map(Path::of)
                            .filter(file -> !Files.exists(file))
                            .toList();
                    Map<String, String> places = new HashMap<>();
                    LostFiles.find(lost, marks, folder)
                            .forEach((was, is) -> places.put(MediaPath.of(was), MediaPath.of(is)));
                    places.putAll(known);
                    return places.isEmpty()
                            ? Proposals.Outcome.only(
                                    () -> notices.problem(Words.GATHER.of("none-of-the-missing-files", folder)))
                            : Proposals.Outcome.of(ReferenceEdits.relink(places));
                });
    }

    /** Looks at a file and tells what it is. */
    public void look(Path file, int frame, Consumer<Gathered> then) {
        outside.allow(List.of(MediaFolders.of(file)));
        proposals.find(Words.GATHER.of("read", file.getFileName()), job -> Gathered.from(file, frame), then);
    }

    private void accept(Gathered gathered) {
        boolean untouched = document.shot().footage().isEmpty()
                && document.shot().levels().stream()
                        .allMatch(level -> level.drawings().isEmpty())
                && document.pathProperty().get() == null;
        boolean givesSetup = untouched && gathered.pictures().isPresent();
        document.apply(new Edit(Words.GATHER.of("import", gathered.file().getFileName()), shot -> {
            if (givesSetup) {
                ShotSetup offered = gathered.offeredSetup(shot.setup(), Optional.empty());
                return gathered.edit(shot).change().apply(shot.withSetup(offered));
            }
            return gathered.edit(shot).change().apply(shot);
        }));
        if (givesSetup) {
            sayRate(gathered.pictures().get());
        }
    }

    /** Says at which rate a clip made the shot, and offers others, where the shot is not at 24 as the clip is. */
    public void sayRate(Gathered.Pictures pictures) {
        if (pictures.model().isPresent() || pictures.times().count() == 1) {
            return;
        }
        FrameRate clip = pictures.rate();
        FrameRate taken = document.shot().setup().rate();
        List<Notices.Offer> offers = Stream.of(FrameRate.FILM, FrameRate.of(12), clip)
                .distinct()
                .filter(rate -> !rate.equals(taken))
                .map(rate -> new Notices.Offer(
                        Words.GATHER.of("frames-a-second", rate.spoken()),
                        () -> document.apply(RateEdits.keepSeconds(rate))))
                .toList();
        if (!taken.equals(clip) || !taken.equals(FrameRate.FILM)) {
            notices.offer(
                    taken.equals(clip)
                            ? Words.GATHER.of("the-shot-runs-as-the-clip", taken.spoken())
                            : Words.GATHER.of("the-shot-runs-at", taken.spoken(), clip.spoken()),
                    offers.toArray(Notices.Offer[]::new));
        }
    }
}
