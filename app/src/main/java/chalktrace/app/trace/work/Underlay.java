package chalktrace.app.trace.work;

import chalktrace.app.kernel.Document;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.shot.Footage;
import java.util.Optional;

/** The footage that is drawn over: the first one that is seen on the board. */
public final class Underlay {

    private static final double STEP_PERCENT = 10;

    private final Document document;

    public Underlay(Document document) {
        this.document = document;
    }

    public Optional<Footage> footage() {
        return document.shot().footage().stream()
                .filter(footage -> footage.visible() && footage.where() != Footage.Where.BESIDE_BOARD)
                .findFirst();
    }

    /** The edit that shows it with an opacity of so many percent; empty where there is none. */
    public Optional<Edit> faded(double percent) {
        return footage()
                .map(footage -> ReferenceEdits.change(
                        Words.TRACE.of("fade-footage"),
                        footage.id(),
                        one -> one.withPlacement(one.placement().withOpacity(percent / 100))));
    }

    /** A step stronger or fainter. */
    public void fade(int direction) {
        footage().ifPresent(one -> {
            double before = 100 * one.placement().opacity();
            double after = Math.max(0, Math.min(100, before + direction * STEP_PERCENT));
            if (after != before) {
                faded(after).ifPresent(document::apply);
            }
        });
    }
}
