package chalktrace.app.space;

import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.GuideEdits;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.guide.Guide;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.core.space.Borrowed;
import chalktrace.core.space.Camera;
import chalktrace.core.space.CameraKey;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.Point3;
import chalktrace.core.space.StagedPicture;
import chalktrace.core.space.Staging;
import chalktrace.media.footage.Reference;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;

/** What is done with the models of the shot and their cameras. Lives on the FX thread. */
final class CameraWork {

    /** A vanishing point farther away than this, in px, is as good as none. */
    private static final double FARTHEST = 1e5;

    private final Session session;
    private final StringProperty chosen = new SimpleStringProperty("");
    private final BooleanProperty viewsShown = new SimpleBooleanProperty();

    CameraWork(Session session) {
        this.session = session;
        session.document().whenOpened(() -> chosen.set(""));
    }

    Session session() {
        return session;
    }

    /** The id of the model whose camera was set last. */
    StringProperty chosenProperty() {
        return chosen;
    }

    /** Whether the saved views stand beside the board. */
    BooleanProperty viewsShownProperty() {
        return viewsShown;
    }

    /** The model whose camera is set: the chosen one, or the first that is seen. */
    Optional<Footage> current() {
        List<Footage> models = session.document().shown().footage().stream()
                .filter(clip -> clip.staging().isPresent())
                .toList();
        return models.stream()
                .filter(clip -> clip.id().equals(chosen.get()))
                .findFirst()
                .or(() -> models.stream().filter(Footage::visible).findFirst());
    }

    Optional<Figure> figure(Footage clip) {
        return session.footages().figure(clip);
    }

    /** The model as its file has it, with its own animations. */
    Optional<Figure> own(Footage clip) {
        return Optional.ofNullable(session.footages().opened().get(clip.file())).flatMap(Reference::figure);
    }

    /** The model of which another one borrows. */
    Optional<Figure> lender(String footageId) {
        return session.document().shown().footage(footageId).flatMap(this::own);
    }

    /** Lets a model play an animation of another one, its joints paired by their names. */
    void borrow(String id, String lenderId, String motion) {
        Optional<Figure> own = session.shot().footage(id).flatMap(this::own);
        Optional<Figure> lender = lender(lenderId);
        if (own.isEmpty() || lender.isEmpty()) {
            return;
        }
        Borrowed borrowed = Borrowed.byNames(
                lenderId, motion, own.get().model(), lender.get().model());
        change(Words.MODELS.of("choose-an-animation"), id, staging -> staging.withBorrowed(borrowed));
        if (borrowed.pairs().isEmpty()) {
            session.notices().problem(Words.MODELS.of("no-joints-of-the-two"));
        }
    }

    int frame() {
        return session.transport().frame();
    }

    PictureSize size() {
        return session.document().shown().setup().size();
    }

    Orbit camera(Footage clip) {
        return clip.staging().orElseThrow().cameraAt(frame());
    }

    Edit edit(String name, String id, UnaryOperator<Staging> change) {
        return ReferenceEdits.change(name, id, clip -> clip.staged(change));
    }

    void change(String name, String id, UnaryOperator<Staging> change) {
        chosen.set(id);
        session.document().apply(edit(name, id, change));
    }

    Edit seenFrom(String id, Orbit orbit) {
        int frame = frame();
        return edit(Words.MODELS.of("move-the-camera"), id, staging -> staging.seenFrom(frame, orbit));
    }

    void look(String id, Orbit orbit) {
        chosen.set(id);
        session.document().apply(seenFrom(id, orbit));
    }

    /** Sets a key of the camera at the gate, or takes it away. */
    void keyOrNot(String id) {
        int frame = frame();
        change(
                Words.MODELS.of("key-the-camera"),
                id,
                staging -> staging.keyAt(frame).isPresent()
                        ? staging.withoutKey(frame)
                        : staging.withKey(new CameraKey(frame, staging.cameraAt(frame), staging.moveAt(frame))));
    }

    /** How the camera goes on from the last key up to the gate. */
    void move(String id, CameraKey.Move move) {
        int frame = frame();
        change(Words.MODELS.of("change-the-cameras-move"), id, staging -> staging.keys().stream()
                .filter(key -> key.frame() <= frame)
                .reduce((before, after) -> after)
                .map(key -> staging.withKey(key.withMove(move)))
                .orElse(staging));
    }

    /** The points in which the model's level axes meet, as a guide to draw along. */
    void addVanishingPoints(Footage clip) {
        Camera camera = Camera.of(camera(clip), size().width(), size().height());
        List<Guide.Spot> spots = new ArrayList<>();
        for (Point3 axis : List.of(new Point3(1, 0, 0), new Point3(0, 0, 1))) {
            Camera.Projected at = camera.vanishing(axis);
            if (Math.abs(at.x()) < FARTHEST && Math.abs(at.y()) < FARTHEST) {
                spots.add(new Guide.Spot(at.x(), at.y()));
            }
        }
        if (spots.isEmpty()) {
            session.notices().problem(Words.MODELS.of("seen-from-here-the-models"));
            return;
        }
        session.document()
                .apply(GuideEdits.add(new Guide(
                        session.shot().newId("guide"),
                        spots.size() == 1 ? Guide.Kind.ONE_POINT : Guide.Kind.TWO_POINTS,
                        spots)));
    }

    /** Raises or lowers the camera so that the model stands on the floor line. */
    void standOnFloorLine(Footage clip) {
        Optional<Guide> floor = session.shot().guides().stream()
                .filter(guide -> guide.kind() == Guide.Kind.FLOOR)
                .findFirst();
        if (floor.isEmpty()) {
            session.notices().problem(Words.MODELS.of("the-shot-has-no-floor"));
            return;
        }
        Optional<Figure> seen = figure(clip)
                .flatMap(figure -> clip.staged(figure, frame(), session.shot().setup()))
                .map(StagedPicture::figure);
        seen.ifPresent(figure -> {
            Orbit now = camera(clip);
            Orbit moved =
                    now.standing(figure.reach().low().y(), floor.get().point(0).y(), size().width(), size().height());
            if (moved.equals(now)) {
                session.notices().problem(Words.MODELS.of("no-height-of-the-camera"));
            } else {
                look(clip.id(), moved);
            }
        });
    }
}
