package chalktrace.app.voice;

import chalktrace.app.bench.BenchScale;
import chalktrace.app.bench.TypingLane;
import chalktrace.app.kernel.Selection.Item;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.speech.PhoneEdits;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Word;
import chalktrace.core.speech.Pronunciations;
import java.util.List;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;

/** The phones of the words. Their joints are dragged; a double click types another, or several, or none. */
final class PhoneLane extends TypingLane {

    PhoneLane(Session session, BenchScale scale) {
        super(Words.DESK.of("phonemes"), 20, session, scale);
    }

    private record Place(Word word, int index) {

        Phone phone() {
            return word.phones().get(index);
        }
    }

    @Override
    protected void paint(GraphicsContext g, double width, double height) {
        g.setFont(Theme.mono(10));
        g.setTextBaseline(VPos.CENTER);
        for (Word word : shown().words()) {
            if (scale().xOfSeconds(word.endSeconds(), width) < 0
                    || scale().xOfSeconds(word.startSeconds(), width) > width) {
                continue;
            }
            for (Phone phone : word.phones()) {
                double x = scale().xOfSeconds(phone.startSeconds(), width);
                double end = scale().xOfSeconds(phone.endSeconds(), width);
                g.setStroke(tones().line());
                g.strokeLine(Math.floor(x) + 0.5, 3, Math.floor(x) + 0.5, height - 4);
                g.strokeLine(Math.floor(end) + 0.5, 3, Math.floor(end) + 0.5, height - 4);
                if (end - x > 6.2 * phone.symbol().length()) {
                    g.setFill(Phone.isVowel(phone.symbol()) ? tones().text() : tones().quiet());
                    g.fillText(phone.symbol(), x + 2, height / 2 - 0.5);
                }
            }
        }
    }

    @Override
    protected void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().line());
        for (Word word : shown().words()) {
            for (Phone phone : word.phones()) {
                g.fillRect(scale().xOfSeconds(phone.startSeconds(), width), 2, 1, height - 4);
            }
        }
    }

    @Override
    protected Optional<Grab> grab(double x, double y) {
        for (Word word : shown().words()) {
            for (int i = 1; i < word.phones().size(); i++) {
                if (isEdge(x, scale().xOfSeconds(word.phones().get(i).startSeconds(), getWidth()))) {
                    int joint = i;
                    return Optional.of(new Grab(
                            Cursor.H_RESIZE,
                            () -> choose(word),
                            frames -> PhoneEdits.moveStart(word.id(), joint, seconds(frames))));
                }
            }
        }
        return at(x).map(place ->
                new Grab(Cursor.HAND, () -> choose(place.word()), frames -> new Edit("nothing", shot -> shot)));
    }

    private void choose(Word word) {
        session().selection().itemProperty().set(new Item(Item.Kind.WORD, word.id()));
    }

    private double seconds(double frames) {
        return frames / session().shot().setup().rate().framesPerSecond();
    }

    @Override
    protected void doubleClick(double x, double y) {
        at(x).ifPresent(place -> {
            double left = scale().xOfSeconds(place.phone().startSeconds(), getWidth());
            typeOrEmpty(left, place.phone().symbol(), text -> retype(place, text));
        });
    }

    /** One phone, or several that share its time; none takes it away. */
    private void retype(Place place, String text) {
        try {
            List<String> symbols = text.isEmpty() ? List.of() : Pronunciations.parse(text);
            session().document().apply(PhoneEdits.type(place.word().id(), place.index(), symbols));
        } catch (IllegalArgumentException e) {
            session().notices().problem(e.getMessage());
        }
    }

    private Optional<Place> at(double x) {
        for (Word word : shown().words()) {
            for (int i = 0; i < word.phones().size(); i++) {
                Phone phone = word.phones().get(i);
                if (x >= scale().xOfSeconds(phone.startSeconds(), getWidth())
                        && x < scale().xOfSeconds(phone.endSeconds(), getWidth())) {
                    return Optional.of(new Place(word, i));
                }
            }
        }
        return Optional.empty();
    }
}
