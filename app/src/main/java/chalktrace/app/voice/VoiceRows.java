package chalktrace.app.voice;

import chalktrace.app.cards.SoundCard;
import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Fold;
import chalktrace.app.controls.LongList;
import chalktrace.app.controls.Refresh;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.kernel.Selection.Item;
import chalktrace.app.keys.Action;
import chalktrace.app.session.Session;
import chalktrace.app.theme.Icons;
import chalktrace.app.words.Words;
import chalktrace.core.shot.Shot;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.shot.Word;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** From a recorded line to mouths on frames: the script, the words, the mouth chart, the cues and how well they meet. */
final class VoiceRows extends VBox {

    private final Session session;
    private final LongList<Word> words = new LongList<>(this::row);
    private final Node noWords = Rows.hint(Words.VOICE.of("press-enter-to-type-a"));
    private final VBox cards = new VBox(8);
    private final Map<String, SoundCard> bySound = new HashMap<>();
    private final FileChoice files;

    /** @param typeWord opens a word at the gate @param typeCue sets a cue at the gate */
    VoiceRows(VoiceWork work, FileChoice files, Runnable typeWord, Runnable typeCue) {
        this.session = work.session();
        this.files = files;
        getStyleClass().add("step-rows");
        Button wordHere = Buttons.edged(Icons.ADD, "", typeWord);
        wordHere.textProperty().bind(session.keys().words(Words.VOICE.of("word-at-the-gate"), Action.WORD));
        getChildren()
                .addAll(
                        Rows.section(Words.VOICE.of("script")),
                        new ScriptRows(work),
                        new SpokenLine(session),
                        new WordRows(work),
                        new Fold(Words.VOICE.of("words"), false, new HBox(6, wordHere), noWords, words),
                        new MouthRows(work, files),
                        new CueRows(work, typeCue),
                        new Fold(Words.VOICE.of("sounds"), false, new RecordRows(work), cards),
                        new Fold(Words.VOICE.of("tables-and-mix"), false, new TableRows(session, files)),
                        new Fold(Words.VOICE.of("time-and-frames"), false, new SumRow(session)));
        Refresh.on(
                words,
                this::showWords,
                session.document().shotProperty(),
                session.selection().itemProperty());
        Refresh.on(
                cards,
                this::showSounds,
                session.document().shotProperty(),
                session.sounds().peaks(),
                session.sounds().problems());
    }

    private void showWords() {
        Shot shot = session.shot();
        words.show(shot.words());
        Rows.show(words, !shot.words().isEmpty());
        Rows.show(noWords, shot.words().isEmpty());
    }

    private HBox row(Word word) {
        Item item = new Item(Item.Kind.WORD, word.id());
        int frame = session.shot().setup().rate().nearestFrame(word.startSeconds());
        HBox row = Rows.row(
                () -> {
                    session.selection().itemProperty().set(item);
                    session.transport().go(frame);
                },
                Rows.number(
                        String.format(Locale.ROOT, "%5d", session.shot().setup().number(frame))),
                new Label(word.text()),
                Rows.space(),
                Rows.number(String.format(Locale.ROOT, "%.3f s", word.startSeconds())));
        if (item.equals(session.selection().itemProperty().get())) {
            row.getStyleClass().add("current");
        }
        return row;
    }

    private void showSounds() {
        List<SoundClip> sounds = session.shot().sounds();
        bySound.keySet().retainAll(sounds.stream().map(SoundClip::id).toList());
        cards.getChildren().clear();
        for (SoundClip clip : sounds) {
            SoundCard card = bySound.computeIfAbsent(clip.id(), id -> new SoundCard(session, files, id));
            card.show(clip);
            cards.getChildren().add(card);
        }
        cards.getChildren().add(Buttons.edged(Icons.ADD, Words.VOICE.of("import-sound"), () -> files.openMedia()
                .ifPresent(chosen ->
                        session.gathering().takeIn(chosen, session.transport().frame()))));
    }
}
