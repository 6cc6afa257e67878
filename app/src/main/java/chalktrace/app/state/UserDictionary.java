package chalktrace.app.state;

import chalktrace.core.shot.Speech.Saying;
import chalktrace.core.speech.Pronunciations;
import chalktrace.media.UnreadableException;
import chalktrace.media.UnwritableException;
import chalktrace.media.file.PronunciationFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** How a person's words are said, for all shots; kept in a file of the state folder that can be edited as text. */
public final class UserDictionary {

    private final Path file;

    public UserDictionary(Path stateFolder) {
        file = stateFolder.resolve("words.dict");
    }

    /**
     * Read anew each time, so that it can be edited beside the program.
     *
     * @throws UnreadableException when the file has come to be no dictionary
     */
    public synchronized List<Saying> sayings() throws UnreadableException {
        return Files.exists(file) ? PronunciationFile.read(file) : List.of();
    }

    /**
     * Keeps how a word is said, in the place of how it was said so far.
     *
     * @throws UnreadableException when the file has come to be no dictionary; it is left as it is
     */
    public synchronized void keep(Saying saying) throws UnreadableException, UnwritableException {
        List<Saying> all = new ArrayList<>(sayings());
        String key = Pronunciations.key(saying.word());
        all.removeIf(other -> Pronunciations.key(other.word()).equals(key));
        all.add(new Saying(key, saying.phones()));
        PronunciationFile.write(all, file);
    }
}
