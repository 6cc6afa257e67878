package chalktrace.app.space;

import chalktrace.app.cards.CardRows;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Footage;

/** The rows of a model's card. */
record ModelCardRows(CameraWork work) implements CardRows {

    @Override
    public String title() {
        return Words.MODELS.of("model");
    }

    @Override
    public boolean fits(Footage clip) {
        return clip.staging().isPresent();
    }

    @Override
    public Part of(String footageId) {
        return new ModelRows(work, footageId);
    }
}
