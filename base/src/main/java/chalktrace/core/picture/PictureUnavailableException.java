package chalktrace.core.picture;

import chalktrace.core.words.Sentences;

/** A picture that its source can't give; the message is a sentence for the person. */
public class PictureUnavailableException extends Exception {

    private static final long serialVersionUID = 1;
    private static final int LONGEST = 300;

    public PictureUnavailableException(String message) {
        super(Sentences.plain(message, LONGEST));
    }

    public PictureUnavailableException(String message, Throwable cause) {
        super(Sentences.plain(message, LONGEST), cause);
    }
}
