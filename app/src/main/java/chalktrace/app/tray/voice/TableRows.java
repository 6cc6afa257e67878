package chalktrace.app.tray.voice;

import chalktrace.app.controls.Buttons;
import chalktrace.app.controls.Rows;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.session.Session;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.edit.timing.CueEdits;
import chalktrace.core.shot.Shot;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.time.FrameRate;
import chalktrace.media.file.TimedSpeech;
import chalktrace.media.sound.SoundFiles;
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
        Node in = Buttons.words("Import\u2026", "words, phonemes, mouths and cues from a table", this::takeIn);
        in.setId("table-in");
        Node out = Buttons.words("Export\u2026", "words, phonemes, mouths and cues as a table", this::write);
        out.setId("table-out");
        Node wav = Buttons.words("Mixed sound\u2026", "all that is heard, as WAV", this::writeSound);
        wav.setId("sound-out");
        getChildren()
                .addAll(
                        Rows.hint(
                                "CSV, JSON, WebVTT or TextGrid, by the ending. Words that come in take the place of those"
                                        + " that are there."),
                        new FlowPane(4, 4, in, out, wav));
    }

    private void takeIn() {
        FrameRate rate = session.shot().setup().rate();
        files.openTable().ifPresent(file -> session.jobs()
                .run(
                        "import words",
                        job -> TimedSpeech.read(file, rate),
                        read -> {
                            session.document().apply(SpeechEdits.takeIn(read.words(), read.mouths()));
                            if (!read.cues().isEmpty()) {
                                session.document().apply(CueEdits.add(read.cues()));
                            }
                            session.notices()
                                    .say("Imported " + read.words().size() + " words and "
                                            + read.cues().size() + " cues.");
                        },
                        session.notices()::problem));
    }

    private void write() {
        Shot shot = session.shot();
        files.saveTable(shot.name() + "-words.csv").ifPresent(file -> session.jobs()
                .run(
                        "write words",
                        job -> {
                            new TimedSpeech(shot.words(), MouthLevels.seen(shot), shot.cues())
                                    .write(file, shot.setup().rate());
                            return file;
                        },
                        written -> session.notices().say("Wrote " + written.getFileName() + "."),
                        session.notices()::problem));
    }

    private void writeSound() {
        Shot shot = session.shot();
        ShotMix mix = session.sounds().mixProperty().get();
        files.saveSound(shot.name() + ".wav").ifPresent(file -> session.jobs()
                .runLong(
                        "write the mixed sound",
                        job -> {
                            SoundFiles.writeWav(
                                    mix, Math.round(shot.setup().seconds() * ShotMix.SAMPLE_RATE), file, job::at);
                            return file;
                        },
                        written -> session.notices().say("Wrote " + written.getFileName() + "."),
                        session.notices()::problem));
    }
}
