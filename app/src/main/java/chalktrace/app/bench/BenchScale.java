package chalktrace.app.bench;

import chalktrace.app.session.Session;
import chalktrace.core.time.FrameRate;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.SimpleDoubleProperty;

/** Where frames and times lie on the bench: the frame at the gate is always in the middle. */
public final class BenchScale {

    private static final double NARROWEST = 0.5;
    private static final double WIDEST = 8192;

    private final Session session;
    private final DoubleProperty pixelsPerFrame = new SimpleDoubleProperty(14);

    BenchScale(Session session) {
        this.session = session;
    }

    DoubleProperty pixelsPerFrameProperty() {
        return pixelsPerFrame;
    }

    public double pixelsPerFrame() {
        return pixelsPerFrame.get();
    }

    void zoom(double factor) {
        pixelsPerFrame.set(Math.max(NARROWEST, Math.min(WIDEST, pixelsPerFrame.get() * factor)));
    }

    /** The left edge of a frame on a lane of some width; parts of frames lie between. */
    public double x(double frame, double width) {
        return width / 2 + (frame - session.transport().frame() - 0.5) * pixelsPerFrame();
    }

    public double xOfSeconds(double seconds, double width) {
        return x(seconds * rate().framesPerSecond(), width);
    }

    public double frame(double x, double width) {
        return (x - width / 2) / pixelsPerFrame() + session.transport().frame() + 0.5;
    }

    double seconds(double x, double width) {
        return frame(x, width) / rate().framesPerSecond();
    }

    /** The same on all frames at one zoom, to the last bit. */
    double secondsPerPixel() {
        return 1 / (pixelsPerFrame() * rate().framesPerSecond());
    }

    private FrameRate rate() {
        return session.document().shown().setup().rate();
    }
}
