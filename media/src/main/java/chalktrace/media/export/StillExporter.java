package chalktrace.media.export;

import chalktrace.core.shot.Shot;
import chalktrace.media.Progress;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.WrittenFile;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** One frame as a picture, its kind by the name's ending. */
final class StillExporter implements Exporter {

    @Override
    public String id() {
        return "still";
    }

    @Override
    public String title() {
        return "One frame (PNG, JPEG, TIFF)";
    }

    @Override
    public List<String> endings() {
        return Arrays.stream(PictureFormat.values())
                .flatMap(format -> format.endings().stream())
                .toList();
    }

    @Override
    public List<Choice<?>> choices() {
        return List.of(Chosen.RANGE, Chosen.SIZE, Chosen.PAPER, Chosen.LEVELS, Chosen.FOOTAGE, Chosen.BURN_IN);
    }

    @Override
    public boolean isMeantBy(int frames) {
        return frames == 1;
    }

    @Override
    public Outcome write(Shot shot, Path target, Choices choices, Progress progress)
            throws UnreadableException, UnwritableException, InterruptedException {
        PictureFormat format = format(target);
        Chosen.requireClear(format, choices);
        if (Chosen.frames(shot, choices).frames() != 1) {
            throw UnwritableException.saying("One picture shows one frame: say which, as --range 12.");
        }
        try (ShotSources sources = ShotSources.open(shot, choices.get(Chosen.FOOTAGE));
                FrameFeed frames = new FrameFeed(shot, sources, choices);
                WrittenFile file = new WrittenFile(target)) {
            format.write(frames.next(), frames.size(), frames.isClear(), file.path());
            boolean complete = progress.at(1, 1);
            if (complete) {
                file.done();
            }
            return new Outcome(complete, 1, sources.problems());
        } catch (IOException e) {
            throw UnwritableException.of(target, "written", WrittenFile.KEPT, e);
        }
    }

    private static PictureFormat format(Path target) {
        String name = target.getFileName().toString().toLowerCase(Locale.ROOT);
        return Arrays.stream(PictureFormat.values())
                .filter(format -> format.endings().stream().anyMatch(name::endsWith))
                .findFirst()
                .orElse(PictureFormat.PNG);
    }
}
