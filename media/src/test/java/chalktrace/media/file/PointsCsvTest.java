package chalktrace.media.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import chalktrace.core.motion.MovingPoint;
import chalktrace.media.UnreadableException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PointsCsvTest {

    @TempDir
    Path folder;

    private Path table(String text) throws Exception {
        return Files.writeString(folder.resolve("points.csv"), text);
    }

    @Test
    void pathsComeBackAsTheyWereWrittenInAnyLanguage() throws Exception {
        Locale before = Locale.getDefault();
        Locale.setDefault(Locale.GERMANY);
        try {
            MovingPoint hand =
                    new MovingPoint("left, hand", 7, new double[] {1.5, Double.NaN, 3.25}, new double[] {-2, 0, 4});
            List<MovingPoint> read = PointsCsv.read(table(PointsCsv.write(List.of(hand))));
            assertThat(read).singleElement().satisfies(point -> {
                assertThat(point.name()).isEqualTo("left, hand");
                assertThat(point.x(7)).isEqualTo(1.5);
                assertThat(point.knows(8)).isFalse();
                assertThat(point.y(9)).isEqualTo(4);
            });
        } finally {
            Locale.setDefault(before);
        }
    }

    @Test
    void framesMayBeMissingOutOfOrderOrWithoutAPlace() throws Exception {
        List<MovingPoint> read =
                PointsCsv.read(table("point,frame,x,y\na,9,1,1\nb,0,5,5\na,3,2,2\na,5,NaN,NaN\na,6,,\n"));
        assertThat(read).extracting(MovingPoint::name).containsExactly("a", "b");
        assertThat(read.get(0).firstFrame()).isEqualTo(3);
        assertThat(read.get(0).lastFrame()).isEqualTo(9);
        assertThat(read.get(0).knows(5)).isFalse();
        assertThat(read.get(0).knows(6)).isFalse();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "point,frame,x\\na,1,2|has no column \"y\"",
                "point,frame,x,y\\na,1,2,zwei|\"zwei\" as y in line 2",
                "point,frame,x,y\\na,-4,2,2|names frame -4 in line 2",
                "point,frame,x,y\\na,1e9,2,2|as frame in line 2",
                "point,frame,x,y\\na,1,2|too few fields in line 2",
                "point,frame,x,y\\na,1,Infinity,2|\"Infinity\" as x",
                "point,frame,x,y|holds no point",
                "point,frame,x,y\\n\"a,1,2,3|is no table"
            })
    void aBadTableIsRefusedWithItsLine(String text, String words) throws Exception {
        Path file = table(text.replace("\\n", "\n"));
        assertThatThrownBy(() -> PointsCsv.read(file))
                .isInstanceOf(UnreadableException.class)
                .hasMessageStartingWith("points.csv ")
                .hasMessageContaining(words);
    }
}
