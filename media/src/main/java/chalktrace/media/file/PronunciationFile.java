package chalktrace.media.file;

import chalktrace.core.shot.Speech.Saying;
import chalktrace.core.speech.Pronunciations;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import java.io.IOException;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * A dictionary of one's own as text, laid out as the CMU Pronouncing Dictionary is: a word and its phones in each line. Lines that
 * start with {@code ;;;} or {@code #} are remarks.
 */
public final class PronunciationFile {

    private static final long LARGEST_BYTES = 16L << 20;

    private PronunciationFile() {}

    /** @throws UnreadableException when it can't be read or a line is no word with phones; it says which line */
    public static List<Saying> read(Path file) throws UnreadableException {
        List<String> lines;
        try {
            if (Files.size(file) > LARGEST_BYTES) {
                throw UnreadableException.of(
                        file, "is too large for a dictionary", "Choose a text file of words and their phonemes.");
            }
            lines = Files.readAllLines(file);
        } catch (CharacterCodingException e) {
            throw UnreadableException.of(file, "is no text in UTF-8", "Save it as one.", e);
        } catch (IOException e) {
            throw UnreadableException.of(file, "can't be read as a dictionary", "Look whether the file is there.", e);
        }
        List<Saying> out = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            String line = lines.get(i).strip();
            if (line.isEmpty() || line.startsWith(";;;") || line.startsWith("#")) {
                continue;
            }
            String[] parts = line.split("\\s+", 2);
            try {
                out.add(new Saying(parts[0], Pronunciations.parse(parts.length > 1 ? parts[1] : "")));
            } catch (IllegalArgumentException e) {
                throw UnreadableException.of(file, "is wrong in line " + (i + 1) + ": " + line, e.getMessage(), e);
            }
        }
        return out;
    }

    /** Whole or not at all. */
    public static void write(List<Saying> sayings, Path file) throws UnwritableException {
        StringBuilder out = new StringBuilder(";;; Words and how they are said, in ARPAbet.\n");
        for (Saying saying : sayings) {
            out.append(saying.word())
                    .append("  ")
                    .append(String.join(" ", saying.phones()))
                    .append('\n');
        }
        try {
            Path fresh = file.resolveSibling(file.getFileName() + ".new");
            Files.writeString(fresh, out);
            WholeFiles.moveIntoPlace(fresh, file);
        } catch (IOException e) {
            throw UnwritableException.of(file, "written", "The word is kept in the shot all the same.", e);
        }
    }
}
