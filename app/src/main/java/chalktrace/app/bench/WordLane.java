package chalktrace.app.bench;

import chalktrace.app.session.Selection.Item;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Theme;
import chalktrace.core.edit.SpeechEdits;
import chalktrace.core.shot.Word;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;

/** The spoken words on their times. */
final class WordLane extends TypingLane {

    private static final double SHORTEST_SECONDS = 0.02;

    /** How long a word is when it is typed while the shot stands still. */
    private static final double TYPED_SECONDS = 0.25;

    WordLane(Session session, BenchScale scale) {
        super("words", 24, session, scale);
    }

    /** Opens a word at the gate; a space ends it at the gate, or after a quarter second, and opens the next. */
    void typeAtGate() {
        int frame = session().transport().frame();
        typeFrom(session().shot().setup().rate().seconds(frame));
    }

    @Override
    void paint(GraphicsContext g, double width, double height) {
        g.setFont(Theme.sans(12));
        g.setTextBaseline(VPos.CENTER);
        for (Word word : shown().words()) {
            double x = scale().xOfSeconds(word.startSeconds(), width);
            double end = scale().xOfSeconds(word.endSeconds(), width);
            if (end < 0 || x > width) {
                continue;
            }
            boolean chosen = session().selection().isChosen(Item.Kind.WORD, word.id());
            g.setFill(tones().raised());
            g.fillRoundRect(x, 2, end - x - 1, height - 5, 6, 6);
            g.setStroke(chosen ? tones().accent() : tones().edge());
            g.setLineWidth(1);
            g.strokeRoundRect(x + 0.5, 2.5, end - x - 2, height - 6, 6, 6);
            g.save();
            g.beginPath();
            g.rect(x + 1, 0, Math.max(0, end - x - 3), height);
            g.clip();
            g.setFill(tones().text());
            g.fillText(word.text(), x + 5, height / 2 - 0.5);
            g.restore();
        }
    }

    @Override
    void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().quiet());
        for (Word word : shown().words()) {
            double x = scale().xOfSeconds(word.startSeconds(), width);
            g.fillRect(x, height / 2 - 1, scale().xOfSeconds(word.endSeconds(), width) - x - 1, 2);
        }
    }

    @Override
    Optional<Grab> grab(double x, double y) {
        for (Word word : session().shot().words()) {
            double start = scale().xOfSeconds(word.startSeconds(), getWidth());
            double end = scale().xOfSeconds(word.endSeconds(), getWidth());
            Runnable choose = () -> session().selection().itemProperty().set(new Item(Item.Kind.WORD, word.id()));
            if (x >= start && x <= end) {
                if (isEdge(x, end)) {
                    return Optional.of(new Grab(
                            Cursor.H_RESIZE,
                            choose,
                            frames -> SpeechEdits.changeWord(
                                    "trim the word " + word.text(),
                                    word.id(),
                                    w -> w.withTimes(
                                            w.startSeconds(),
                                            Math.max(
                                                    w.startSeconds() + SHORTEST_SECONDS,
                                                    w.endSeconds() + seconds(frames))))));
                }
                if (isEdge(x, start)) {
                    return Optional.of(new Grab(
                            Cursor.H_RESIZE,
                            choose,
                            frames -> SpeechEdits.changeWord(
                                    "trim the word " + word.text(),
                                    word.id(),
                                    w -> w.withTimes(
                                            Math.max(
                                                    0,
                                                    Math.min(
                                                            w.endSeconds() - SHORTEST_SECONDS,
                                                            w.startSeconds() + seconds(frames))),
                                            w.endSeconds()))));
                }
                return Optional.of(new Grab(
                        Cursor.HAND,
                        choose,
                        frames -> SpeechEdits.changeWord("move the word " + word.text(), word.id(), w -> {
                            double by = Math.max(-w.startSeconds(), seconds(frames));
                            return w.withTimes(w.startSeconds() + by, w.endSeconds() + by);
                        })));
            }
        }
        return Optional.empty();
    }

    @Override
    void doubleClick(double x, double y) {
        session().shot().words().stream()
                .filter(word -> x >= scale().xOfSeconds(word.startSeconds(), getWidth())
                        && x <= scale().xOfSeconds(word.endSeconds(), getWidth()))
                .findFirst()
                .ifPresent(word -> type(
                        scale().xOfSeconds(word.startSeconds(), getWidth()),
                        scale().xOfSeconds(word.endSeconds(), getWidth())
                                - scale().xOfSeconds(word.startSeconds(), getWidth()),
                        word.text(),
                        false,
                        (text, on) -> session()
                                .document()
                                .apply(SpeechEdits.changeWord(
                                        "rename the word " + word.text(), word.id(), w -> w.withText(text)))));
    }

    private void typeFrom(double startSeconds) {
        type(scale().xOfSeconds(startSeconds, getWidth()), 0, "", true, (text, on) -> {
            double end = endFor(startSeconds);
            session()
                    .document()
                    .apply(SpeechEdits.addWord(new Word(session().shot().newId("word"), text, startSeconds, end)));
            if (on) {
                if (!session().transport().playingProperty().get()) {
                    session().transport().go(session().shot().setup().rate().nearestFrame(end));
                }
                typeFrom(end);
            }
        });
    }

    /** The gate's time where it has moved on, else a usual length, but not over a word that follows. */
    private double endFor(double startSeconds) {
        double gate =
                session().shot().setup().rate().seconds(session().transport().frame());
        double end = gate > startSeconds + SHORTEST_SECONDS ? gate : startSeconds + TYPED_SECONDS;
        return session().shot().words().stream()
                .mapToDouble(Word::startSeconds)
                .filter(next -> next > startSeconds + SHORTEST_SECONDS && next < end)
                .min()
                .orElse(end);
    }

    private double seconds(double frames) {
        return frames / session().shot().setup().rate().framesPerSecond();
    }
}
