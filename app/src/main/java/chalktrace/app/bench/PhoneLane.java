package chalktrace.app.bench;

import chalktrace.app.session.Selection.Item;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.SpeechEdits;
import chalktrace.core.shot.Phone;
import chalktrace.core.shot.Word;
import chalktrace.core.speech.Pronunciations;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;

/** The phones of the words. Their joints are dragged; a double click types another. */
final class PhoneLane extends TypingLane {

    private static final double SHORTEST_SECONDS = 0.01;

    PhoneLane(Session session, BenchScale scale) {
        super("phones", 20, session, scale);
    }

    private record Place(Word word, int index) {

        Phone phone() {
            return word.phones().get(index);
        }
    }

    @Override
    void paint(GraphicsContext g, double width, double height) {
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
    void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().line());
        for (Word word : shown().words()) {
            for (Phone phone : word.phones()) {
                g.fillRect(scale().xOfSeconds(phone.startSeconds(), width), 2, 1, height - 4);
            }
        }
    }

    @Override
    Optional<Grab> grab(double x, double y) {
        for (Word word : shown().words()) {
            for (int i = 1; i < word.phones().size(); i++) {
                if (isEdge(x, scale().xOfSeconds(word.phones().get(i).startSeconds(), getWidth()))) {
                    int joint = i;
                    return Optional.of(new Grab(
                            Cursor.H_RESIZE,
                            () -> choose(word),
                            frames -> SpeechEdits.changeWord(
                                    "move a phone's start", word.id(), w -> moved(w, joint, frames))));
                }
            }
        }
        return at(x).map(place ->
                new Grab(Cursor.HAND, () -> choose(place.word()), frames -> new Edit("nothing", shot -> shot)));
    }

    private void choose(Word word) {
        session().selection().itemProperty().set(new Item(Item.Kind.WORD, word.id()));
    }

    private Word moved(Word word, int joint, double frames) {
        List<Phone> phones = new ArrayList<>(word.phones());
        Phone before = phones.get(joint - 1);
        Phone after = phones.get(joint);
        double by = frames / session().shot().setup().rate().framesPerSecond();
        double at = Math.max(
                before.startSeconds() + SHORTEST_SECONDS,
                Math.min(after.endSeconds() - SHORTEST_SECONDS, after.startSeconds() + by));
        phones.set(joint - 1, before.withTimes(before.startSeconds(), at));
        phones.set(joint, after.withTimes(at, after.endSeconds()));
        return word.withPhones(phones);
    }

    @Override
    void doubleClick(double x, double y) {
        at(x).ifPresent(place -> {
            double left = scale().xOfSeconds(place.phone().startSeconds(), getWidth());
            type(left, 0, place.phone().symbol(), false, (text, on) -> retype(place, text));
        });
    }

    /** One phone, or several that share its time. */
    private void retype(Place place, String text) {
        try {
            List<String> symbols = Pronunciations.parse(text);
            session()
                    .document()
                    .apply(SpeechEdits.changeWord("type a phone", place.word().id(), w -> {
                        List<Phone> phones = new ArrayList<>(w.phones());
                        Phone old = phones.remove(place.index());
                        double each = (old.endSeconds() - old.startSeconds()) / symbols.size();
                        for (int i = 0; i < symbols.size(); i++) {
                            phones.add(
                                    place.index() + i,
                                    new Phone(
                                            symbols.get(i),
                                            old.startSeconds() + i * each,
                                            old.startSeconds() + (i + 1) * each));
                        }
                        return w.withPhones(phones);
                    }));
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
