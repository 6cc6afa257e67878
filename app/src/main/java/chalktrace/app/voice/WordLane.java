package chalktrace.app.voice;

import chalktrace.app.bench.BenchScale;
import chalktrace.app.bench.TypingLane;
import chalktrace.app.kernel.Selection.Item;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.shot.Word;
import chalktrace.core.speech.Alignment;
import chalktrace.core.time.FrameRate;
import java.util.Optional;
import java.util.function.BiFunction;
import javafx.geometry.VPos;
import javafx.scene.Cursor;
import javafx.scene.canvas.GraphicsContext;

/** The spoken words on their times; those of others than the one whose mouths are worked on are quiet. */
final class WordLane extends TypingLane {

    private final VoiceWork work;

    private static final double SHORTEST_SECONDS = 0.02;

    /** A word less sure than this is shown as doubtful. */
    private static final double DOUBTFUL = 0.5;

    private static final double[] DASHES = {3, 3};

    /** How long a word is when it is typed while the shot stands still. */
    private static final double TYPED_SECONDS = 0.25;

    WordLane(VoiceWork work, BenchScale scale) {
        super(Words.DESK.of("words"), 24, work.session(), scale);
        this.work = work;
        repaintOn(work.voicing().reportProperty());
    }

    /** Opens a word at the gate; a space ends it at the gate, or after a quarter second, and opens the next. */
    void typeAtGate() {
        int frame = session().transport().frame();
        typeFrom(session().shot().setup().rate().seconds(frame));
    }

    @Override
    protected void paint(GraphicsContext g, double width, double height) {
        g.setFont(Theme.sans(12));
        g.setTextBaseline(VPos.CENTER);
        paintExtra(g, width, height);
        for (Word word : shown().words()) {
            double x = scale().xOfSeconds(word.startSeconds(), width);
            double end = scale().xOfSeconds(word.endSeconds(), width);
            if (end < 0 || x > width) {
                continue;
            }
            boolean chosen = session().selection().isChosen(Item.Kind.WORD, word.id());
            boolean doubtful = word.sureness() < DOUBTFUL;
            g.setFill(tones().raised());
            g.fillRoundRect(x, 2, end - x - 1, height - 5, 6, 6);
            g.setStroke(chosen ? tones().accent() : doubtful ? tones().badText() : tones().edge());
            g.setLineWidth(1);
            g.setLineDashes(doubtful ? DASHES : null);
            g.strokeRoundRect(x + 0.5, 2.5, end - x - 2, height - 6, 6, 6);
            g.setLineDashes(null);
            paintSureness(g, word, x, end, height);
            g.save();
            g.beginPath();
            g.rect(x + 1, 0, Math.max(0, end - x - 3), height);
            g.clip();
            g.setFill(shown().speech().speaker().says(word) ? tones().text() : tones().quiet());
            g.fillText(word.text(), x + 5, height / 2 - 0.5);
            g.restore();
        }
    }

    /** A bar along the word's foot, as long as it is sure; a pinned word has a pin's head instead. */
    private void paintSureness(GraphicsContext g, Word word, double x, double end, double height) {
        if (word.pinned()) {
            g.setFill(tones().accent());
            g.fillOval(end - 8, 4, 5, 5);
        } else if (word.sureness() < 1) {
            g.setFill(word.sureness() < DOUBTFUL ? tones().badText() : tones().good());
            g.fillRect(x + 3, height - 5, Math.max(1, (end - x - 7) * word.sureness()), 1.5);
        }
    }

    /** Speech that the script does not have, as hatched stretches. */
    private void paintExtra(GraphicsContext g, double width, double height) {
        g.setStroke(tones().badText());
        for (Alignment.Extra extra : work.voicing().reportProperty().get().extra()) {
            double x = scale().xOfSeconds(extra.startSeconds(), width);
            double end = scale().xOfSeconds(extra.endSeconds(), width);
            g.save();
            g.beginPath();
            g.rect(x, 2, end - x, height - 5);
            g.clip();
            for (double at = x - height; at < end; at += 5) {
                g.strokeLine(at, height, at + height, 0);
            }
            g.restore();
        }
    }

    @Override
    protected void paintFolded(GraphicsContext g, double width, double height) {
        g.setFill(tones().quiet());
        for (Word word : shown().words()) {
            double x = scale().xOfSeconds(word.startSeconds(), width);
            g.fillRect(x, height / 2 - 1, scale().xOfSeconds(word.endSeconds(), width) - x - 1, 2);
        }
    }

    @Override
    protected Optional<Grab> grab(double x, double y) {
        return session().shot().words().stream()
                .filter(word -> x >= left(word) && x <= right(word))
                .findFirst()
                .map(word -> grab(word, x));
    }

    private Grab grab(Word word, double x) {
        if (isEdge(x, right(word))) {
            return grab(
                    word,
                    Cursor.H_RESIZE,
                    "trim",
                    (w, seconds) -> w.withTimes(
                            w.startSeconds(),
                            Math.max(w.startSeconds() + SHORTEST_SECONDS, onFrame(w.endSeconds() + seconds))));
        }
        if (isEdge(x, left(word))) {
            return grab(
                    word,
                    Cursor.H_RESIZE,
                    "trim",
                    (w, seconds) -> w.withTimes(
                            Math.max(
                                    0,
                                    Math.min(w.endSeconds() - SHORTEST_SECONDS, onFrame(w.startSeconds() + seconds))),
                            w.endSeconds()));
        }
        return grab(word, Cursor.HAND, "move", (w, seconds) -> {
            double by = Math.max(-w.startSeconds(), onFrame(w.startSeconds() + seconds) - w.startSeconds());
            return w.withTimes(w.startSeconds() + by, w.endSeconds() + by);
        });
    }

    private Grab grab(Word word, Cursor cursor, String what, BiFunction<Word, Double, Word> change) {
        return new Grab(
                cursor,
                () -> session().selection().itemProperty().set(new Item(Item.Kind.WORD, word.id())),
                frames -> SpeechEdits.changeWord(
                        Words.DESK.of("the-word", what, word.text()), word.id(), w -> change.apply(w, seconds(frames))
                                .withPinned(true)));
    }

    /** Drags end on frames; with Alt where they are. */
    private double onFrame(double seconds) {
        FrameRate rate = session().shot().setup().rate();
        return session().view().pushesWhatFollowsProperty().get()
                ? seconds
                : rate.seconds(Math.max(0, rate.nearestFrame(seconds)));
    }

    private double left(Word word) {
        return scale().xOfSeconds(word.startSeconds(), getWidth());
    }

    private double right(Word word) {
        return scale().xOfSeconds(word.endSeconds(), getWidth());
    }

    @Override
    protected void doubleClick(double x, double y) {
        session().shot().words().stream()
                .filter(word -> x >= left(word) && x <= right(word))
                .findFirst()
                .ifPresent(
                        word -> type(left(word), right(word) - left(word), word.text(), false, (text, on) -> session()
                                .document()
                                .apply(SpeechEdits.changeWord(
                                        Words.DESK.of("rename-the-word", word.text()),
                                        word.id(),
                                        w -> w.withText(text)))));
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
