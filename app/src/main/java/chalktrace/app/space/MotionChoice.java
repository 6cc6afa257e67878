package chalktrace.app.space;

import chalktrace.app.words.Words;
import chalktrace.core.shot.Footage;
import chalktrace.core.shot.Shot;
import chalktrace.core.space.Borrowed;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Motion;
import chalktrace.core.space.Staging;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * An animation that a model can play.
 *
 * @param lender the id of the model that it is of; empty for one of its own
 * @param motion its name; empty for the rest pose
 * @param title what it is called
 */
record MotionChoice(String lender, String motion, String title) {

    /** Its own, and those of the other models in the shot. */
    static List<MotionChoice> of(Shot shot, Footage clip, Function<Footage, Optional<Figure>> figures) {
        List<MotionChoice> all = new ArrayList<>(List.of(new MotionChoice("", "", Words.MODELS.of("rest-pose"))));
        motions(figures.apply(clip)).forEach(name -> all.add(new MotionChoice("", name, name)));
        for (Footage other : shot.footage()) {
            if (other.staging().isPresent() && !other.file().equals(clip.file())) {
                motions(figures.apply(other))
                        .forEach(name ->
                                all.add(new MotionChoice(other.id(), name, Words.MODELS.of("of", name, other.name()))));
            }
        }
        return all;
    }

    private static List<String> motions(Optional<Figure> figure) {
        return figure.map(f -> f.model().motions().stream().map(Motion::name).toList())
                .orElse(List.of());
    }

    /** The one that plays; one that is not at hand is called by its name. */
    static MotionChoice of(Staging staging, List<MotionChoice> all) {
        String lender = staging.borrowed().map(Borrowed::footage).orElse("");
        String motion = staging.borrowed().map(Borrowed::motion).orElse(staging.motion());
        return all.stream()
                .filter(choice ->
                        choice.lender().equals(lender) && choice.motion().equals(motion))
                .findFirst()
                .orElse(new MotionChoice(lender, motion, motion));
    }

    @Override
    public String toString() {
        return title;
    }
}
