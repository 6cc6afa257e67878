package chalktrace.app.voice;

import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.Selection.Item;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.shot.ShotSetup;
import chalktrace.core.shot.Word;
import chalktrace.core.time.FrameRate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;

/** The words about the gate as they are read, each tinted by how sure its place is; the one at the gate stands out. */
final class SpokenLine extends FlowPane {

    /** So many words are shown at once; they stay where they are until the gate comes to the next. */
    private static final int PAGE = 40;

    private static final double SURE = 0.8;
    private static final double DOUBTFUL = 0.5;

    private final Session session;
    private final List<Label> labels = new ArrayList<>();
    private List<Word> shown = List.of();

    SpokenLine(Session session) {
        super(2, 4);
        this.session = session;
        setId("spoken-line");
        Refresh.on(
                this,
                this::show,
                session.document().shownProperty(),
                session.transport().frameProperty(),
                session.selection().itemProperty());
    }

    private void show() {
        List<Word> all = session.document().shown().words();
        FrameRate rate = session.shot().setup().rate();
        int frame = session.transport().frame();
        // The middle of the frame: a click goes to the frame nearest to a word's start, which may start a little before
        // it.
        double gate = (rate.seconds(frame) + rate.seconds(frame + 1)) / 2;
        int at = wordAt(all, gate);
        int first = at / PAGE * PAGE;
        List<Word> page = all.subList(first, Math.min(all.size(), first + PAGE));
        if (!page.equals(shown)) {
            shown = List.copyOf(page);
            build();
        }
        for (int i = 0; i < labels.size(); i++) {
            Word word = shown.get(i);
            Label label = labels.get(i);
            label.getStyleClass().removeAll("current", "chosen");
            if (word.startSeconds() <= gate && gate < word.endSeconds()) {
                label.getStyleClass().add("current");
            }
            if (session.selection().isChosen(Item.Kind.WORD, word.id())) {
                label.getStyleClass().add("chosen");
            }
        }
    }

    /** The index of the last word that has started; 0 before the first. */
    private static int wordAt(List<Word> words, double seconds) {
        int low = 0;
        int high = words.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) / 2;
            if (words.get(middle).startSeconds() <= seconds) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }

    private void build() {
        labels.clear();
        List<Node> nodes = new ArrayList<>();
        String speaker = "";
        for (Word word : shown) {
            if (!word.speaker().equals(speaker)) {
                speaker = word.speaker();
                nodes.add(Rows.quiet(speaker.isEmpty() ? "\u2013" : speaker + ":"));
            }
            Label label = label(word);
            labels.add(label);
            nodes.add(label);
        }
        getChildren().setAll(nodes);
        Rows.show(this, !nodes.isEmpty());
    }

    private Label label(Word word) {
        ShotSetup setup = session.shot().setup();
        int frame = setup.rate().nearestFrame(word.startSeconds());
        Label label = new Label(word.text());
        label.getStyleClass()
                .addAll(
                        "line-word",
                        word.pinned()
                                ? "pinned"
                                : word.sureness() >= SURE ? "sure" : word.sureness() < DOUBTFUL ? "doubtful" : "fair");
        label.setTooltip(new Tooltip(
                word.pinned()
                        ? String.format(Locale.ROOT, Words.VOICE.of("frame-set-by-hand"), setup.number(frame))
                        : String.format(
                                Locale.ROOT,
                                Words.VOICE.of("frame-confidence"),
                                setup.number(frame),
                                100 * word.sureness())));
        label.setOnMouseClicked(event -> {
            session.selection().itemProperty().set(new Item(Item.Kind.WORD, word.id()));
            session.transport().go(frame);
        });
        return label;
    }
}
