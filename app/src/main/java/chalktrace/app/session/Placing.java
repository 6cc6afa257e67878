package chalktrace.app.session;

import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import chalktrace.core.time.FrameRange;
import java.awt.geom.Rectangle2D;
import java.util.Optional;

/** Something that is placed on the board by hand. */
public abstract class Placing {

    /**
     * How it lies at a frame.
     *
     * @param placement as it is placed
     * @param unplaced its outline before it is placed, in shot pixels
     * @param turns whether it can be turned
     */
    public record Lie(Placement placement, Rectangle2D unplaced, boolean turns) {}

    /** A mouth's outline is so many times its width, so that the grips lie beside it. */
    private static final double MOUTH_WIDTH = 2;

    private static final double MOUTH_HEIGHT = 1.6;

    private Placing() {}

    /** Empty where it isn't seen. */
    public abstract Optional<Lie> at(Session session, int frame);

    /** @param from as it was placed at the frame when it was taken hold of */
    public abstract Edit to(Session session, Placement from, Placement to);

    public static Placing footage(String id) {
        return new Placing() {
            @Override
            public Optional<Lie> at(Session session, int frame) {
                Optional<Footage> clip = session.document().shown().footage(id);
                return clip.flatMap(c -> session.footages().at(c, frame))
                        .map(picture -> new Lie(
                                session.document()
                                        .shown()
                                        .lying(clip.get(), frame)
                                        .placement(),
                                picture.fittedInto(session.shot().setup().size()),
                                true));
            }

            @Override
            public Edit to(Session session, Placement from, Placement to) {
                Placement back = session.shot()
                        .ride(id)
                        .map(ride -> ride.at(session.transport().frame()).inverse())
                        .orElse(Placement.AS_IS);
                return ReferenceEdits.change(Words.GATHER.of("place-footage"), id, f -> f.withPlacement(to.then(back)));
            }
        };
    }

    /** The mouths of the speaker that is worked on: in the chosen span, else in the whole shot. */
    public static Placing mouths() {
        return new Placing() {
            @Override
            public Optional<Lie> at(Session session, int frame) {
                Shot shot = session.document().shown();
                return shot.mouthPlace()
                        .map(place -> new Lie(
                                MouthLevels.placementAt(shot, frame),
                                outline(place),
                                MouthLevels.find(shot).isPresent()));
            }

            @Override
            public Edit to(Session session, Placement from, Placement to) {
                Timing.Span span = session.timing().spanProperty().get();
                FrameRange frames =
                        span != null ? span.frames() : session.shot().setup().frames();
                return MouthLevels.place(frames, to.then(from.inverse()));
            }
        };
    }

    private static Rectangle2D outline(MouthPlace place) {
        double width = place.width() * MOUTH_WIDTH;
        double height = place.width() * MOUTH_HEIGHT;
        return new Rectangle2D.Double(place.x() - width / 2, place.y() - height / 2, width, height);
    }
}
