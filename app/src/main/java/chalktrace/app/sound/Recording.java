package chalktrace.app.sound;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Jobs;
import chalktrace.app.kernel.Notices;
import chalktrace.app.words.Words;
import chalktrace.core.edit.reference.ReferenceEdits;
import chalktrace.core.shot.SoundClip;
import chalktrace.core.sound.Loudness;
import chalktrace.core.sound.PcmBuffer;
import chalktrace.core.sound.ShotMix;
import chalktrace.core.work.Workers;
import chalktrace.media.sound.SoundFiles;
import chalktrace.media.sound.SoundIn;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.beans.property.SimpleIntegerProperty;

/** Records a line from the microphone onto a lane of its own. Lives on the FX thread, with one thread that listens. */
public final class Recording {

    private static final int CHUNK = 1024;
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss", Locale.ROOT);

    private final Document document;
    private final Transport transport;
    private final Jobs jobs;
    private final Notices notices;
    private final Path stateFolder;
    private final Supplier<SoundIn> microphones;
    private final ReadOnlyBooleanWrapper recording = new ReadOnlyBooleanWrapper();
    private final ReadOnlyDoubleWrapper level = new ReadOnlyDoubleWrapper(Loudness.SILENCE);
    private final ReadOnlyDoubleWrapper seconds = new ReadOnlyDoubleWrapper();
    private final IntegerProperty countIn = new SimpleIntegerProperty(3);
    private Listening listening;

    public Recording(
            Document document,
            Transport transport,
            Jobs jobs,
            Notices notices,
            Path stateFolder,
            Supplier<SoundIn> microphones) {
        this.document = document;
        this.transport = transport;
        this.jobs = jobs;
        this.notices = notices;
        this.stateFolder = stateFolder;
        this.microphones = microphones;
        document.whenOpened(() -> drop());
    }

    public ReadOnlyBooleanProperty recordingProperty() {
        return recording.getReadOnlyProperty();
    }

    /** How loud it is now, in decibels below full scale. */
    public ReadOnlyDoubleProperty levelProperty() {
        return level.getReadOnlyProperty();
    }

    /** How long it has been recorded; negative while it is counted in. */
    public ReadOnlyDoubleProperty secondsProperty() {
        return seconds.getReadOnlyProperty();
    }

    /** How many seconds are counted before it starts. */
    public IntegerProperty countInProperty() {
        return countIn;
    }

    /** Starts to record at the gate, after the count. */
    public void start() {
        if (recording.get()) {
            return;
        }
        transport.stop();
        recording.set(true);
        seconds.set(-countIn.get());
        listening = new Listening(document.shot().setup().rate().seconds(transport.frame()), countIn.get());
        Workers.loop("record", listening);
    }

    /** Ends it, writes it as WAV beside the shot, and puts it on a lane. */
    public void stop() {
        if (!recording.get()) {
            return;
        }
        Listening done = listening;
        Document.Opening opening = document.opening();
        drop();
        Path beside = Optional.ofNullable(document.pathProperty().get())
                .map(path -> path.toAbsolutePath().getParent())
                .orElse(stateFolder.resolve("recordings"));
        jobs.run(
                Words.VOICE.of("write-what-was-recorded"),
                job -> {
                    // A shot's folder that was moved away is not made anew.
                    Path folder = Files.isDirectory(beside) ? beside : stateFolder.resolve("recordings");
                    Files.createDirectories(folder);
                    Path file = folder.resolve("line-" + LocalDateTime.now().format(STAMP) + ".wav");
                    PcmBuffer pcm = done.recorded();
                    if (pcm.length() == 0) {
                        throw new IOException(Words.VOICE.of("nothing-was-recorded-yet-it"));
                    }
                    SoundFiles.writeWav(pcm, file);
                    return file;
                },
                file -> {
                    if (document.isStill(opening)) {
                        document.apply(ReferenceEdits.takeIn(SoundClip.of(
                                document.shot().newId("sound"),
                                Words.VOICE.of("recorded-line"),
                                file.toString(),
                                done.startSeconds)));
                    } else {
                        notices.say(Words.VOICE.of("the-recorded-line-is-in", file));
                    }
                },
                notices::problem);
    }

    /** Ends it and keeps nothing. */
    public void drop() {
        if (listening != null) {
            listening.end();
            listening = null;
        }
        recording.set(false);
        level.set(Loudness.SILENCE);
    }

    private final class Listening implements Runnable {

        private final double startSeconds;
        private final int count;
        private final List<float[]> chunks = new ArrayList<>();
        private volatile boolean ended;

        /** That listens; null before. */
        private volatile Thread thread;

        Listening(double startSeconds, int count) {
            this.startSeconds = startSeconds;
            this.count = count;
        }

        @Override
        public void run() {
            thread = Thread.currentThread();
            long heard = 0;
            long first = (long) count * ShotMix.SAMPLE_RATE;
            // A device may take its time to open: it is opened here and not on the window's thread.
            try (SoundIn in = microphones.get()) {
                if (!in.isReal()) {
                    Platform.runLater(() -> notices.say(Words.VOICE.of("no-microphone-was-found-a")));
                }
                in.start();
                while (!ended) {
                    float[] chunk = in.read(CHUNK);
                    heard += chunk.length;
                    if (heard > first) {
                        synchronized (chunks) {
                            chunks.add(chunk);
                        }
                    }
                    tell(chunk, (heard - first) / (double) ShotMix.SAMPLE_RATE);
                }
            } catch (InterruptedException e) {
                // It was ended.
            }
        }

        private void tell(float[] chunk, double at) {
            double sum = 0;
            for (float sample : chunk) {
                sum += sample * sample;
            }
            double decibels = Loudness.decibels(Math.sqrt(sum / Math.max(1, chunk.length)));
            Platform.runLater(() -> {
                if (!ended) {
                    level.set(decibels);
                    seconds.set(at);
                }
            });
        }

        void end() {
            ended = true;
            Thread listens = thread;
            if (listens != null) {
                listens.interrupt();
            }
        }

        PcmBuffer recorded() {
            synchronized (chunks) {
                int length = chunks.stream().mapToInt(chunk -> chunk.length).sum();
                float[] all = new float[length];
                int at = 0;
                for (float[] chunk : chunks) {
                    System.arraycopy(chunk, 0, all, at, chunk.length);
                    at += chunk.length;
                }
                return new PcmBuffer(ShotMix.SAMPLE_RATE, 1, all);
            }
        }
    }
}
