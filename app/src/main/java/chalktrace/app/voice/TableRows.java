package chalktrace.app.voice;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.edit.timing.CueEdits;
import chalktrace.core.shot.Shot;
import chalktrace.core.sound.ShotMix;
import chalktrace.media.UnreadableException;
import chalktrace.media.file.TimedSpeech;
import chalktrace.media.sound.SoundFiles;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** Words, phones, mouths and cues out into tables and in from them; the mixed sound as WAV. */
final class TableRows extends VBox {

    private final Session session;
    private final FileChoice files;

    TableRows(Session session, FileChoice files) {
        super(6);
        this.session = session;
        this.files = files;
        Node in =
                Buttons.words(Words.VOICE.of("import"), Words.VOICE.of("words-phonemes-mouths-and-cues"), this::takeIn);
        in.setId("table-in");
        Node out = Buttons.words(Words.VOICE.of("export"), Words.VOICE.of("all-as-a-table"), this::write);
        out.setId("table-out");
        Node wav =
                Buttons.words(Words.VOICE.of("mixed-sound"), Words.VOICE.of("all-that-is-heard-as"), this::writeSound);
        wav.setId("sound-out");
        getChildren()
                .addAll(Rows.hint(Words.VOICE.of("csv-json-webvtt-or-textgrid")), new FlowPane(4, 4, in, out, wav));
    }

    private void takeIn() {
        Shot shot = session.shot();
        Document.Opening opening = session.document().opening();
        files.openTable().ifPresent(file -> session.jobs()
                .run(
                        Words.VOICE.of("import-words"),
                        job -> Imported.read(file, shot),
                        imported -> {
                            if (!session.document().isStill(opening)) {
                                return;
                            }
                            imported.edits.forEach(session.document()::apply);
                            session.notices()
                                    .say(Words.VOICE.of("imported-words-and-cues", imported.words, imported.cues));
                        },
                        session.notices()::problem));
    }

    /** What a table holds, as edits that are worked out away from the window: a hundred thousand words take their time. */
    private record Imported(List<Edit> edits, int words, int cues) {

        static Imported read(Path file, Shot shot) throws UnreadableException {
            TimedSpeech read = TimedSpeech.read(file, shot.setup().rate());
            Edit speech = SpeechEdits.takeIn(read.words(), read.mouths()).workedOutFor(shot);
            List<Edit> edits = new ArrayList<>(List.of(speech));
            if (!read.cues().isEmpty()) {
                edits.add(CueEdits.add(read.cues()).workedOutFor(speech.change().apply(shot)));
            }
            return new Imported(edits, read.words().size(), read.cues().size());
        }
    }

    private void write() {
        Shot shot = session.shot();
        files.saveTable(shot.name() + "-words.csv").ifPresent(file -> session.jobs()
                .run(
                        Words.VOICE.of("write-words"),
                        job -> {
                            new TimedSpeech(shot.words(), MouthLevels.seen(shot), shot.cues())
                                    .write(file, shot.setup().rate());
                            return file;
                        },
                        written -> session.notices().say(Words.VOICE.of("wrote", written.getFileName())),
                        session.notices()::problem));
    }

    private void writeSound() {
        Shot shot = session.shot();
        ShotMix mix = session.sounds().mixProperty().get();
        files.saveSound(shot.name() + ".wav").ifPresent(file -> session.jobs()
                .runLong(
                        Words.VOICE.of("write-the-mixed-sound"),
                        job -> {
                            SoundFiles.writeWav(
                                    mix, Math.round(shot.setup().seconds() * ShotMix.SAMPLE_RATE), file, job::at);
                            return file;
                        },
                        written -> session.notices().say(Words.VOICE.of("wrote", written.getFileName())),
                        session.notices()::problem));
    }
}
