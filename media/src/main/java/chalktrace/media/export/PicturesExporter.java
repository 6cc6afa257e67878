package chalktrace.media.export;

import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import chalktrace.media.Progress;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.WrittenFile;
import java.io.IOException;
import java.nio.file.DirectoryNotEmptyException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;

/**
 * "name.0001.png" and so on in a folder. All are written first and then come into place, so that pictures
 * of an earlier export stay until the new ones are whole.
 */
final class PicturesExporter implements Exporter {

    @Override
    public String id() {
        return "pictures";
    }

    @Override
    public String title() {
        return "Numbered pictures (a folder)";
    }

    @Override
    public List<String> endings() {
        return List.of();
    }

    @Override
    public List<Choice<?>> choices() {
        return List.of(
                Chosen.RANGE,
                Chosen.PICTURES,
                Chosen.SIZE,
                Chosen.PAPER,
                Chosen.LEVELS,
                Chosen.FOOTAGE,
                Chosen.BURN_IN,
                Chosen.SHOT_NUMBERS);
    }

    @Override
    public Outcome write(Shot shot, Path folder, Choices choices, Progress progress)
            throws UnreadableException, UnwritableException, InterruptedException {
        boolean isNew = !Files.exists(folder);
        List<Path> written = new ArrayList<>();
        Path beside = folder.resolve(".writing");
        boolean complete = false;
        PictureFormat format = choices.get(Chosen.PICTURES);
        Chosen.requireClear(format, choices);
        try (ShotSources sources = ShotSources.open(shot, choices.get(Chosen.FOOTAGE));
                FrameFeed frames = new FrameFeed(shot, sources, choices)) {
            Files.createDirectories(beside);
            FrameRange range = frames.frames();
            int total = range.frames();
            boolean goesOn = true;
            for (int f = 0; f < total && goesOn; f++) {
                Path file = beside.resolve(name(shot, number(shot, range, f, choices), format));
                written.add(file);
                format.write(frames.next(), frames.size(), frames.isClear(), file);
                goesOn = progress.at(f + 1, total);
            }
            if (goesOn) {
                for (Path file : written) {
                    Files.move(file, folder.resolve(file.getFileName()), StandardCopyOption.REPLACE_EXISTING);
                }
                complete = true;
            }
            return new Outcome(complete, total, sources.problems());
        } catch (IOException e) {
            throw UnwritableException.of(folder, "written", WrittenFile.KEPT, e);
        } finally {
            written.forEach(PicturesExporter::discard);
            discard(beside);
            if (isNew && !complete) {
                discard(folder);
            }
        }
    }

    @Override
    public List<Path> replaced(Shot shot, Path folder, Choices choices) {
        FrameRange range = choices.get(Chosen.RANGE).orElse(shot.setup().frames());
        return IntStream.range(0, range.frames())
                .mapToObj(
                        f -> folder.resolve(name(shot, number(shot, range, f, choices), choices.get(Chosen.PICTURES))))
                .filter(Files::exists)
                .toList();
    }

    private static int number(Shot shot, FrameRange range, int f, Choices choices) {
        return choices.get(Chosen.SHOT_NUMBERS) ? shot.setup().number(range.start() + f) : f + 1;
    }

    private static String name(Shot shot, int number, PictureFormat format) {
        String stem = shot.name().replaceAll("[^\\p{L}\\p{N} _-]", "_");
        return String.format(
                Locale.ROOT, "%s.%04d%s", stem, number, format.endings().get(0));
    }

    private static void discard(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (DirectoryNotEmptyException e) {
            // Someone else has put something into it.
        } catch (IOException e) {
            // A hidden leftover; the sentence about the export matters more.
        }
    }
}
