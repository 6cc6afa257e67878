package chalktrace.app.window;

import chalktrace.app.board.pen.RecordedStrokes;
import chalktrace.app.board.pen.SimulatedPen;
import chalktrace.app.cli.WindowOptions;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.state.StateFolder;
import chalktrace.app.theme.Theme;
import chalktrace.app.words.Words;
import chalktrace.core.work.Workers;
import chalktrace.media.UnreadableException;
import chalktrace.media.sound.DeviceOut;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.logging.Level;
import java.util.logging.Logger;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;

/** The program with its window. */
public final class ChalkApplication extends Application {

    private static final Duration LONGEST_END = Duration.ofSeconds(2);

    private static final Logger LOG = Logger.getLogger(ChalkApplication.class.getName());

    /** What the launcher asked for; the toolkit makes the application itself and passes only texts. */
    private static Request request = new Request(Optional.empty(), Optional.empty(), new WindowOptions());

    private record Request(Optional<Path> shot, Optional<RecordedStrokes> strokes, WindowOptions options) {}

    /**
     * Opens the window and waits until it is closed.
     *
     * @return the exit code
     * @throws UnreadableException when the recorded strokes can't be read
     * @throws IOException when the demo can't be copied
     */
    public static int open(Path shot, boolean demo, WindowOptions options) throws UnreadableException, IOException {
        Optional<Path> opened = Optional.ofNullable(
                demo ? DemoShot.copyTo(StateFolder.path().resolve("demo"), options.isFresh()) : shot);
        Optional<RecordedStrokes> strokes =
                options.pen() == null ? Optional.empty() : Optional.of(RecordedStrokes.read(options.pen()));
        request = new Request(opened, strokes, options);
        launch(ChalkApplication.class);
        awaitEnding();
        return 0;
    }

    /** The window has gone; what it gave to others to keep is kept before the program goes too. */
    private static void awaitEnding() {
        try {
            if (!Workers.awaitEnding(LONGEST_END)) {
                LOG.warning("still at work at the end: " + Workers.living());
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void start(Stage stage) {
        Theme.load();
        Session session = new Session(DeviceOut::openOrSilent, StateFolder.path());
        String wanted = request.options().colours() == null
                ? session.preferences().look()
                : request.options().colours();
        Arrays.stream(Theme.Look.values())
                .filter(look -> look.name().equalsIgnoreCase(wanted))
                .findFirst()
                .ifPresent(Theme.lookProperty()::set);
        Thread.currentThread().setUncaughtExceptionHandler((thread, failure) -> {
            LOG.log(Level.SEVERE, "uncaught", failure);
            session.notices().problem(Words.DESK.of("something-went-wrong-inside-the", failure));
        });
        Workbench window = new Workbench(stage, session, null);
        window.show();
        window.useTablets();
        window.board().view().framesShownProperty().addListener((property, before, count) -> {
            if (before.intValue() == 0) {
                long since = System.currentTimeMillis()
                        - ManagementFactory.getRuntimeMXBean().getStartTime();
                LOG.info("first frame on the board " + since + " ms after the start");
            }
        });
        begin(window, session);
    }

    private static void begin(Workbench window, Session session) {
        WindowOptions options = request.options();
        if (options.step() != null) {
            session.view().stepProperty().set(Step.valueOf(options.step().toUpperCase(Locale.ROOT)));
        }
        request.shot().ifPresentOrElse(window::open, () -> Platform.runLater(window::offerUnsavedWork));
        Optional<SimulatedPen> pen = request.strokes().map(SimulatedPen::new);
        pen.ifPresent(drawing -> {
            if (request.shot().isPresent()) {
                session.document().whenNextOpened(() -> window.use(drawing));
            } else {
                // On the new shot that the program starts with.
                Platform.runLater(() -> window.use(drawing));
            }
        });
        session.view().sheetProperty().set(options.isSheet());
        if (options.isMediaAnywhere()) {
            session.document().whenNextOpened(session.outsideMedia()::allow);
        }
        if (options.look() != null) {
            session.view().stepProperty().set(Step.GATHER);
            Runnable look = () -> session.gathering().lookAt(List.of(options.look()), 0);
            if (request.shot().isPresent()) {
                session.document().whenNextOpened(() -> look.run());
            } else {
                look.run();
            }
        }
        if (options.frame() > 0) {
            session.document()
                    .whenNextOpened(
                            () -> Platform.runLater(() -> session.transport().go(options.frame())));
        }
        if (options.picture() != null) {
            new WindowPicture(window, session, options.picture(), () -> pen.map(SimulatedPen::isDone)
                            .orElse(true))
                    .takeWhenSettled();
        }
    }
}
