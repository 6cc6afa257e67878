package chalktrace.app.testing;

import chalktrace.core.shot.Level;
import chalktrace.core.work.Workers;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import org.testfx.api.FxRobot;

/**
 * The program's window in a process of its own, on a shot. It says {@code open} or {@code looking} once that is there; told {@code draw}
 * it draws stroke after stroke with a pen and says the number of each; told {@code save} it also saves again and again meanwhile; told {@code quit} it ends by itself.
 */
public final class WindowProcess {

    private static Path shot;
    private static Path state;

    private WindowProcess() {}

    /** @param arguments the shot file and the folder of the program's state */
    public static void main(String[] arguments) throws InterruptedException {
        shot = Path.of(arguments[0]);
        state = Path.of(arguments[1]);
        Application.launch(Shown.class);
        Workers.awaitEnding(Duration.ofSeconds(2));
    }

    /** The toolkit makes it; a class with a main method of its own can't be one. */
    public static final class Shown extends Application {

        private OpenWindow window;
        private int strokes;

        @Override
        public void start(Stage stage) {
            window = new OpenWindow(stage, state);
            window.session.document().whenNextOpened(() -> {
                boolean looks = window.session.document().whyReadOnlyProperty().get() != null;
                say(looks ? "looking" : "open");
            });
            window.workbench.open(shot);
            Thread listening = new Thread(this::listen, "listen");
            listening.setDaemon(true);
            listening.start();
        }

        private static void say(String line) {
            System.out.println(line);
            System.out.flush();
        }

        private void listen() {
            try (BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8))) {
                for (String line = in.readLine(); line != null; line = in.readLine()) {
                    String told = line;
                    Platform.runLater(() -> obey(told));
                }
                // Nobody listens any more.
                Runtime.getRuntime().halt(1);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        private void obey(String told) {
            switch (told) {
                case "draw" -> draw(() -> {});
                case "save" -> draw(this::save);
                case "quit" -> {
                    window.session.close();
                    Platform.exit();
                }
                default -> throw new IllegalArgumentException(told);
            }
        }

        private void draw(Runnable after) {
            new AnimationTimer() {
                @Override
                public void handle(long now) {
                    draw();
                    after.run();
                }
            }.start();
        }

        /** One save after the other, while it draws on. */
        private void save() {
            if (window.session.jobs().running().isEmpty()) {
                window.session.shelf().save(shot, () -> {});
            }
        }

        private void draw() {
            int before = count();
            double y = 20 + strokes % 140;
            window.pen(new FxRobot(), 20, y, 120, y + 7, 260, y);
            strokes++;
            if (count() > before) {
                say("" + count());
            }
        }

        private int count() {
            return window.session.shot().levels().stream()
                    .map(Level::drawings)
                    .flatMap(drawings -> drawings.stream())
                    .mapToInt(drawing -> drawing.strokes().size())
                    .sum();
        }
    }
}
