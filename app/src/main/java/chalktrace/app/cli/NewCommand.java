package chalktrace.app.cli;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.time.FrameRate;
import chalktrace.media.UnwritableException;
import chalktrace.media.file.ShotFile;
import chalktrace.media.footage.Gathered;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.TypeConversionException;

@Command(
        name = "new",
        description =
                "Make a shot. What is not given comes from the clip, then from the sound's length, then 24 frames a"
                        + " second, 1280x720, 96 frames.")
final class NewCommand implements Callable<Integer> {

    @Parameters(paramLabel = "SHOT.chalk")
    Path target;

    @Option(names = "--footage", paramLabel = "CLIP", description = "A video, picture or run of pictures.")
    Path footage;

    @Option(names = "--sound", paramLabel = "WAV", description = "A sound that starts with the first frame.")
    Path sound;

    @Option(names = "--fps", paramLabel = "N", converter = Rate.class, description = "24, 23.976, 24000/1001 ...")
    FrameRate rate;

    @Option(names = "--size", paramLabel = "WxH", converter = Size.class)
    PictureSize size;

    @Option(names = "--frames", paramLabel = "N")
    Integer frames;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        if (Files.exists(target)) {
            throw UnwritableException.of(
                    target,
                    "made",
                    "Choose another name.",
                    new FileAlreadyExistsException(target.toString(), null, "a file of that name is there"));
        }
        Gathered clip = footage == null ? null : Gathered.from(footage, 0);
        Gathered line = sound == null ? null : Gathered.sound(sound, 0);
        ShotSetup setup = setup(clip, line);
        String name = target.getFileName().toString().replaceFirst("\\" + ShotFile.ENDING + "$", "");
        Shot shot = Shot.empty(name, setup);
        for (Gathered gathered : new Gathered[] {clip, line}) {
            if (gathered != null) {
                MediaAccess.chosen(gathered.file());
                shot = gathered.edit(shot).change().apply(shot);
            }
        }
        ShotFile.fresh().save(shot, target);
        answer.print(
                "made " + target + ": " + setup.size() + ", " + setup.length() + " frames at "
                        + setup.rate().spoken() + " a second",
                Answer.object()
                        .put("file", target.toString())
                        .put("width", setup.size().width())
                        .put("height", setup.size().height())
                        .put("frames", setup.length())
                        .put("rate", setup.rate().asText()));
        return 0;
    }

    private ShotSetup setup(Gathered clip, Gathered line) {
        ShotSetup offered = clip != null
                ? clip.offeredSetup(ShotSetup.standard(), Optional.ofNullable(rate))
                : line != null
                        ? line.offeredSetup(ShotSetup.standard(), Optional.ofNullable(rate))
                        : ShotSetup.standard();
        return new ShotSetup(
                rate == null ? offered.rate() : rate,
                size == null ? offered.size() : size,
                frames == null ? offered.length() : frames,
                offered.firstNumber(),
                offered.paper());
    }

    static final class Rate implements ITypeConverter<FrameRate> {
        @Override
        public FrameRate convert(String text) {
            try {
                return FrameRate.parse(text);
            } catch (IllegalArgumentException e) {
                throw new TypeConversionException(e.getMessage());
            }
        }
    }

    static final class Size implements ITypeConverter<PictureSize> {
        @Override
        public PictureSize convert(String text) {
            try {
                return PictureSize.parse(text);
            } catch (IllegalArgumentException e) {
                throw new TypeConversionException(e.getMessage());
            }
        }
    }
}
