package chalktrace.core.stroke;

/** Makes one stroke from the pen's samples. What is shown on the way never changes what is kept. */
public interface StrokeMaker {

    void add(PenSample sample);

    /** The stroke as far as it has come. */
    Stroke soFar();

    /** The stroke that is kept. */
    Stroke finish();

    /** Whether a sample may change any part of the stroke, and not only its end. */
    boolean changesAll();
}
