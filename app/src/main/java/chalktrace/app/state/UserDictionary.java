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
import java.util.logging.Level;
import java.util.logging.Logger;

/** How a person's words are said, for all shots; kept in a file of the state folder that can be edited as text. */
public final class UserDictionary {

    private static final Logger LOG = Logger.getLogger(UserDictionary.class.getName());

    private final Path file;

    public UserDictionary(Path stateFolder) {
        file = stateFolder.resolve("words.dict");
    }

    /** Read anew each time, so that it can be edited beside the program; none where it can't be read. */
    public synchronized List<Saying> sayings() {
        try {
            return Files.exists(file) ? PronunciationFile.read(file) : List.of();
        } catch (UnreadableException e) {
            LOG.log(Level.WARNING, "the user's dictionary is left out", e);
            return List.of();
        }
    }

    /**
     * Keeps how a word is said, in the place of how it was said so far.
     *
     * @throws UnreadableException when the file has come to be no dictionary; it is left as it is
     */
    public synchronized void keep(Saying saying) throws UnreadableException, UnwritableException {
        List<Saying> all = new ArrayList<>(Files.exists(file) ? PronunciationFile.read(file) : List.of());
        String key = Pronunciations.key(saying.word());
        all.removeIf(other -> Pronunciations.key(other.word()).equals(key));
        all.add(new Saying(key, saying.phones()));
        PronunciationFile.write(all, file);
    }
}
