package chalktrace.media.file;

import chalktrace.core.shot.Cue;
import chalktrace.core.shot.MouthSpan;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRate;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.MalformedInputException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/**
 * Words with their phones, mouths and cues, as they go into tables of other programs and come from them.
 *
 * @param words in rising order, none over another
 */
public record TimedSpeech(List<Word> words, List<MouthSpan> mouths, List<Cue> cues) {

    private static final long LARGEST_BYTES = 32L << 20;

    /** The open formats. */
    public enum Format {
        CSV,
        JSON,
        /** W3C WebVTT: words alone. */
        VTT,
        /** The annotation text format of phonetics: tiers of intervals and points. */
        TEXTGRID;

        /** By the end of a file's name. @throws UnreadableException when it is none of these */
        public static Format of(Path file) throws UnreadableException {
            String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
            for (Format format : values()) {
                if (name.endsWith("." + format.name().toLowerCase(Locale.ROOT))) {
                    return format;
                }
            }
            throw UnreadableException.of(
                    file, "has no ending that says what it is", "Use .csv, .json, .vtt or .TextGrid.");
        }
    }

    public TimedSpeech {
        words = words.stream()
                .sorted(Comparator.comparingDouble(Word::startSeconds))
                .toList();
        mouths = List.copyOf(mouths);
        cues = List.copyOf(cues);
    }

    public static TimedSpeech of(Shot shot) {
        return new TimedSpeech(shot.words(), shot.mouths(), shot.cues());
    }

    /** @param rate of the shot, for the frames beside the seconds */
    public void write(Path file, FrameRate rate) throws UnreadableException, UnwritableException {
        String text =
                switch (Format.of(file)) {
                    case CSV -> SpeechCsv.write(this, rate);
                    case JSON -> SpeechTableJson.write(this, rate).toPrettyString() + "\n";
                    case VTT -> WebVtt.write(this);
                    case TEXTGRID -> TextGrid.write(this, rate);
                };
        try {
            Files.writeString(file, text);
        } catch (IOException e) {
            throw UnwritableException.of(file, "written", "The shot is as it was.", e);
        }
    }

    /**
     * @param rate of the shot that takes it in: mouths lie on its frames
     * @throws UnreadableException when it can't be read, or words lie over each other; it says where
     */
    public static TimedSpeech read(Path file, FrameRate rate) throws UnreadableException {
        Format format = Format.of(file);
        try {
            if (Files.size(file) > LARGEST_BYTES) {
                throw UnreadableException.of(
                        file, "is larger than 32 MB", "A table of words is not; choose another file.");
            }
            byte[] bytes = Files.readAllBytes(file);
            String text = decoded(bytes);
            TimedSpeech read =
                    switch (format) {
                        case CSV -> SpeechCsv.read(text);
                        case JSON -> SpeechTableJson.read(text, rate);
                        case VTT -> WebVtt.read(text);
                        case TEXTGRID -> TextGrid.read(text, rate);
                    };
            requireOrder(read.words);
            return read;
        } catch (Wrong e) {
            throw UnreadableException.of(
                    file, e.getMessage(), "Mend it there and read it again; nothing was changed.", e);
        } catch (MalformedInputException e) {
            throw UnreadableException.of(file, "is no text in UTF-8 or UTF-16", "Save it as one.", e);
        } catch (IOException e) {
            throw UnreadableException.of(file, "can't be read: " + e.getMessage(), "Look whether it is there.", e);
        } catch (IllegalArgumentException e) {
            throw UnreadableException.of(
                    file, "has a value that makes no sense: " + e.getMessage(), "Mend it there.", e);
        }
    }

    private static String decoded(byte[] bytes) throws IOException {
        boolean big = bytes.length > 1 && (bytes[0] & 0xFF) == 0xFE && (bytes[1] & 0xFF) == 0xFF;
        boolean little = bytes.length > 1 && (bytes[0] & 0xFF) == 0xFF && (bytes[1] & 0xFF) == 0xFE;
        String text = (big || little ? StandardCharsets.UTF_16 : StandardCharsets.UTF_8)
                .newDecoder()
                .decode(ByteBuffer.wrap(bytes))
                .toString();
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    private static void requireOrder(List<Word> words) throws Wrong {
        for (int i = 1; i < words.size(); i++) {
            Word before = words.get(i - 1);
            Word word = words.get(i);
            if (word.startSeconds() < before.endSeconds() - 1e-6) {
                throw new Wrong(String.format(
                        Locale.ROOT,
                        "has words over each other: \"%s\" starts at %.3f s, before \"%s\" ends at %.3f s",
                        word.text(),
                        word.startSeconds(),
                        before.text(),
                        before.endSeconds()));
            }
        }
    }

    /** What is wrong in a table and where, as the rest of a sentence that starts with the file's name. */
    static final class Wrong extends Exception {
        private static final long serialVersionUID = 1;

        Wrong(String message) {
            super(message);
        }
    }
}
