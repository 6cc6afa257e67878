package chalktrace.core.picture;

/** A picture that its source can't give; the message is a sentence for the person. */
public class PictureUnavailableException extends Exception {

    private static final long serialVersionUID = 1;

    public PictureUnavailableException(String message) {
        super(message);
    }

    public PictureUnavailableException(String message, Throwable cause) {
        super(message, cause);
    }
}
