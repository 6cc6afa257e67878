package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import chalktrace.core.motion.MovingPoint;
import chalktrace.media.UnreadableException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PointsJsonTest {

    @TempDir
    Path folder;

    @Test
    void theEndingOfTheNameSaysHowAFileIsWritten() throws Exception {
        MovingPoint hand =
                new MovingPoint("left \"hand\"", 7, new double[] {0.1 + 0.2, Double.NaN, 3}, new double[] {-2, 0, 4});
        for (String name : List.of("a.json", "b.JSON", "c.csv")) {
            Path file = folder.resolve(name);
            Files.writeString(file, PointFiles.text(file, List.of(hand)));
            assertThat(Files.readString(file).startsWith("{")).isEqualTo(!name.endsWith("csv"));
            assertThat(PointFiles.read(file)).singleElement().satisfies(point -> {
                assertThat(point.name()).isEqualTo("left \"hand\"");
                assertThat(point.firstFrame()).isEqualTo(7);
                assertThat(point.knows(8)).isFalse();
                assertThat(point.y(9)).isEqualTo(4);
            });
        }
        assertThat(PointFiles.read(folder.resolve("a.json")).get(0).x(7)).isEqualTo(0.1 + 0.2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"points\": [|is no JSON",
                "{}|holds no point",
                "[1, 2]|holds no point",
                "{\"points\": [{\"places\": [{\"frame\": 1, \"x\": 1, \"y\": 1}]}]}|no name",
                "{\"points\": [{\"name\": \"a\", \"places\": []}]}|no place in point 1",
                "{\"points\": [{\"name\": \"a\", \"places\": [{\"frame\": -1, \"x\": 1, \"y\": 1}]}]}|in point 1",
                "{\"points\": [{\"name\": \"a\", \"places\": [{\"frame\": 1.5, \"x\": 1, \"y\": 1}]}]}|in point 1",
                "{\"points\": [{\"name\": \"a\", \"places\": [{\"frame\": 1, \"x\": \"b\", \"y\": 1}]}]}|in point 1",
                "{\"points\": [{\"name\": \"a\", \"places\": [{\"frame\": 99999999999, \"x\": 1, \"y\": 1}]}]}|in point 1"
            })
    void whatIsWrongIsNamed(String text, String said) throws Exception {
        Path file = Files.writeString(folder.resolve("bad.json"), text);
        assertThatExceptionOfType(UnreadableException.class)
                .isThrownBy(() -> PointFiles.read(file))
                .withMessageContaining("bad.json")
                .withMessageContaining(said);
    }
}
