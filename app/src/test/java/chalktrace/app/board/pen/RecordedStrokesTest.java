package chalktrace.app.board.pen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import chalktrace.media.UnreadableException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RecordedStrokesTest {

    @TempDir
    Path folder;

    @Test
    void theSimulatedPenGoesDownOnceAndUpOnceForEachStroke() {
        List<PenEvent.Kind> kinds = new ArrayList<>();
        RecordedStrokes shipped = RecordedStrokes.shipped();
        new SimulatedPen(shipped).drawAll(event -> kinds.add(event.kind()));
        assertThat(kinds)
                .hasSize(shipped.strokes().stream().mapToInt(List::size).sum());
        assertThat(kinds.stream().filter(PenEvent.Kind.DOWN::equals))
                .hasSize(shipped.strokes().size());
        assertThat(kinds.stream().filter(PenEvent.Kind.UP::equals))
                .hasSize(shipped.strokes().size());
    }

    @Test
    void aBrokenTableNamesItsLine() throws Exception {
        Path file = folder.resolve("pen.csv");
        for (String bad : new String[] {"1,2,3", "1,a,3,0.5,0", "1,NaN,3,0.5,0"}) {
            Files.writeString(file, "stroke,x,y,pressure,seconds\n1,2,3,0.5,0\n" + bad + "\n");
            assertThatExceptionOfType(UnreadableException.class)
                    .isThrownBy(() -> RecordedStrokes.read(file))
                    .withMessageContaining("pen.csv")
                    .withMessageContaining("line 3");
        }
    }

    @Test
    void pressureOutOfRangeIsHeldWithin() throws Exception {
        Path file =
                Files.writeString(folder.resolve("pen.csv"), "stroke,x,y,pressure,seconds\n1,2,3,7,0\n1,3,3,-1,0.1\n");
        assertThat(RecordedStrokes.read(file).strokes().get(0))
                .extracting(s -> s.pressure())
                .containsExactly(1.0, 0.0);
    }
}
