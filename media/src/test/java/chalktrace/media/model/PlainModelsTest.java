package chalktrace.media.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.Rgb;
import chalktrace.core.space.Mesh;
import chalktrace.core.space.Model;
import chalktrace.media.UnreadableException;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.lifecycle.AfterContainer;
import net.jqwik.api.lifecycle.BeforeContainer;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** OBJ, STL and PLY: models of still triangles. */
class PlainModelsTest {

    private static Path folder;

    @BeforeContainer
    @BeforeAll
    static void make() throws IOException {
        folder = Files.createTempDirectory("plain-models");
    }

    @AfterContainer
    @AfterAll
    static void clear() throws IOException {
        try (Stream<Path> all = Files.list(folder)) {
            for (Path file : all.toList()) {
                Files.delete(file);
            }
        }
        Files.delete(folder);
    }

    private static Model read(String name, byte[] bytes) throws Exception {
        Files.write(folder.resolve(name), bytes);
        return ModelFiles.read(folder.resolve(name)).model();
    }

    private static Model read(String name, String text) throws Exception {
        return read(name, text.getBytes(StandardCharsets.UTF_8));
    }

    /** Corners of triangles, nine numbers each. */
    private static float[] triangles(Random random, int count) {
        float[] out = new float[9 * count];
        for (int i = 0; i < out.length; i++) {
            out[i] = (float) (random.nextGaussian() * Math.pow(10, random.nextInt(5) - 2));
        }
        return out;
    }

    /** The same triangles, as each format and form writes them, are read as the same. */
    @Property(tries = 40)
    void theSameTrianglesAreReadFromAllForms(@ForAll @IntRange(min = 1, max = 40) int count, @ForAll long seed)
            throws Exception {
        float[] corners = triangles(new Random(seed), count);
        assertThat(places(read("a.obj", obj(corners)))).containsExactly(corners);
        assertThat(places(read("a.stl", stlLetters(corners)))).containsExactly(corners);
        assertThat(places(read("b.stl", stlBinary(corners)))).containsExactly(corners);
        for (String form : List.of("ascii", "binary_little_endian", "binary_big_endian")) {
            assertThat(places(read("a.ply", ply(form, corners)))).containsExactly(corners);
        }
    }

    private static float[] places(Model model) {
        return model.meshes().get(0).positions();
    }

    private static String obj(float[] corners) {
        StringBuilder out = new StringBuilder("# random\n");
        for (int v = 0; v < corners.length / 3; v++) {
            out.append("v ").append(numbers(corners, 3 * v, 3)).append('\n');
        }
        for (int t = 0; t < corners.length / 9; t++) {
            // All ways in which a corner is written.
            out.append(
                    switch (t % 3) {
                        case 0 -> String.format("f %d %d %d\r\n", 3 * t + 1, 3 * t + 2, 3 * t + 3);
                        case 1 -> String.format("f %d/ %d/ \\\n %d/\n", 3 * t + 1, 3 * t + 2, 3 * t + 3);
                        default -> {
                            int back = 3 * t - corners.length / 3;
                            yield String.format("f %d// %d// %d\n", back, back + 1, back + 2);
                        }
                    });
        }
        return out.toString();
    }

    private static String numbers(float[] all, int from, int count) {
        StringBuilder out = new StringBuilder();
        for (int i = from; i < from + count; i++) {
            out.append(all[i]).append(' ');
        }
        return out.toString();
    }

    private static String stlLetters(float[] corners) {
        StringBuilder out = new StringBuilder("solid thing\n");
        for (int t = 0; t < corners.length / 9; t++) {
            out.append("  facet normal 0 0 0\n    outer loop\n");
            for (int k = 0; k < 3; k++) {
                out.append("      vertex ")
                        .append(numbers(corners, 9 * t + 3 * k, 3))
                        .append('\n');
            }
            out.append("    endloop\n  endfacet\n");
        }
        return out.append("endsolid thing\n").toString();
    }

    /** Its header starts as one in letters does, as some programs write it. */
    private static byte[] stlBinary(float[] corners) {
        int count = corners.length / 9;
        ByteBuffer out = ByteBuffer.allocate(84 + 50 * count).order(ByteOrder.LITTLE_ENDIAN);
        out.put("solid made by a program".getBytes(StandardCharsets.US_ASCII));
        out.putInt(80, count);
        for (int t = 0; t < count; t++) {
            for (int k = 0; k < 9; k++) {
                out.putFloat(84 + 50 * t + 12 + 4 * k, corners[9 * t + k]);
            }
        }
        return out.array();
    }

    private static byte[] ply(String form, float[] corners) throws IOException {
        int count = corners.length / 9;
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(String.format(
                        "ply\nformat %s 1.0\ncomment made up\nelement vertex %d\nproperty float x\nproperty double w\n"
                                + "property float y\nproperty float z\nelement odd 1\nproperty list uchar short some\n"
                                + "element face %d\nproperty uchar kind\nproperty list uchar int vertex_indices\nend_header\n",
                        form, 3 * count, count)
                .getBytes(StandardCharsets.US_ASCII));
        if (form.equals("ascii")) {
            StringBuilder text = new StringBuilder();
            for (int v = 0; v < 3 * count; v++) {
                text.append(String.format("%s 7 %s %s%n", corners[3 * v], corners[3 * v + 1], corners[3 * v + 2]));
            }
            text.append("2 5 6\n");
            for (int t = 0; t < count; t++) {
                text.append(String.format("1 3 %d %d %d%n", 3 * t, 3 * t + 1, 3 * t + 2));
            }
            out.write(text.toString().getBytes(StandardCharsets.US_ASCII));
            return out.toByteArray();
        }
        ByteBuffer bytes = ByteBuffer.allocate(20 * 3 * count + 5 + 14 * count)
                .order(form.contains("little") ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        for (int v = 0; v < 3 * count; v++) {
            bytes.putFloat(corners[3 * v])
                    .putDouble(7)
                    .putFloat(corners[3 * v + 1])
                    .putFloat(corners[3 * v + 2]);
        }
        bytes.put((byte) 2).putShort((short) 5).putShort((short) 6);
        for (int t = 0; t < count; t++) {
            bytes.put((byte) 1).put((byte) 3).putInt(3 * t).putInt(3 * t + 1).putInt(3 * t + 2);
        }
        out.write(bytes.array());
        return out.toByteArray();
    }

    private static final String PLY =
            """
            ply
            format ascii 1.0
            element vertex 4
            property float x
            property float y
            property float z
            property uchar red
            property uchar green
            property uchar blue
            %send_header
            0 0 0 255 0 0
            1 0 0 0 255 0
            1 1 0 0 0 188
            0 1 0 255 255 255
            %s""";

    /** 188 as sRGB is half of the light (IEC 61966-2-1). */
    @Test
    void plyHasColoursAtItsVertices() throws Exception {
        Mesh mesh = read(
                        "quad.ply",
                        PLY.formatted("element face 1\nproperty list uchar int vertex_index\n", "4 0 1 2 3\n"))
                .meshes()
                .get(0);
        float[] colors = mesh.colors().orElseThrow();
        for (int v = 0; v < mesh.vertices(); v++) {
            boolean right = mesh.positions()[3 * v] == 1;
            boolean up = mesh.positions()[3 * v + 1] == 1;
            float[] wanted = right
                    ? up ? new float[] {0, 0, 0.5f} : new float[] {0, 1, 0}
                    : new float[] {1, up ? 1 : 0, up ? 1 : 0};
            for (int k = 0; k < 3; k++) {
                assertThat(colors[4 * v + k]).isCloseTo(wanted[k], within(0.005f));
            }
        }
    }

    @Test
    void plyWithoutFacesIsDots() throws Exception {
        Model model = read("dots.ply", PLY.formatted("", ""));
        assertThat(model.triangles()).isEqualTo(16);
        float[] places = places(model);
        for (int d = 0; d < 4; d++) {
            double x = 0;
            for (int k = 0; k < 4; k++) {
                x += places[12 * d + 3 * k] / 4;
            }
            assertThat(x).isCloseTo(d == 1 || d == 2 ? 1 : 0, within(1e-6));
        }
        assertThat(model.meshes().get(0).colors()).isPresent();
    }

    @Test
    void objKeepsItsMaterialUntilTheNextIsNamed() throws Exception {
        Files.writeString(folder.resolve("two.mtl"), "newmtl red\nKd 1 0 0\nnewmtl blue paint\nKd 0 0 1\n");
        Model model = read(
                "two.obj",
                "mtllib two.mtl\nv 0 0 0\nv 1 0 0\nv 0 1 0\nusemtl red\nf 1 2 3\nf 1 2 3\nf 3 2 1\nusemtl blue paint\nf 1 2 3\nf 1 3 2\n");
        List<String> seen = new ArrayList<>();
        for (Mesh mesh : model.meshes()) {
            Rgb color = model.surfaces().get(mesh.surface()).color();
            seen.add(color.hex() + " " + mesh.triangles().length / 3);
        }
        assertThat(seen).containsExactlyInAnyOrder("#FF0000 3", "#0000FF 2");
    }

    @Test
    void objHasColoursAtItsVertices() throws Exception {
        Mesh mesh = read("c.obj", "v 0 0 0 1 0 0\nv 1 0 0 0 1 0\nv 0 1 0 0 0 1\nf 1 2 3\n")
                .meshes()
                .get(0);
        assertThat(mesh.colors().orElseThrow()).containsExactly(1, 0, 0, 1, 0, 1, 0, 1, 0, 0, 1, 1);
    }

    static Stream<Arguments> wrong() {
        return Stream.of(
                Arguments.of("a.obj", "v 0 0 0\nv 1 0 0\nv 3.1+e2 1 0\nf 1 2 3\n", "line 3"),
                Arguments.of("a.obj", "v 0 0 0\nv 1 0 0\nv 0 1 0\n\nf 1 2 -4\n", "line 5"),
                Arguments.of("a.obj", "v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 x/y\n", "line 4"),
                Arguments.of("a.obj", "v 0 0\n", "line 1"),
                Arguments.of("a.obj", "# nothing\n", "no surface"),
                Arguments.of("a.stl", "solid\nfacet\nvertex 1 2 x\n", "line 3"),
                Arguments.of("a.stl", "solid\nfacet\nvertex 1 2 3\nvertex 1 2 3\nendfacet\nendsolid\n", "line 5"),
                Arguments.of("a.stl", "solid\nfacet\nvertex 1 2 3\n", "ends"),
                Arguments.of("a.stl", "x", "ends"),
                Arguments.of(
                        "a.stl",
                        "solid\nfacet\nvertex 1 2 3\nvertex 1 2 3e30\nvertex 1 5 3\nendfacet\nendsolid\n",
                        "units away"),
                Arguments.of("a.ply", "plx\n", "no PLY"),
                Arguments.of(
                        "a.ply",
                        "ply\nformat ascii 1.0\nelement vertex 1000000000\nproperty float x\nend_header\n1",
                        "ends"),
                Arguments.of("a.ply", "ply\nformat ascii 1.0\nelement vertex -3\nend_header\n", "count"),
                Arguments.of("a.ply", "ply\nformat morse 1.0\nend_header\n", "morse"),
                Arguments.of(
                        "a.ply",
                        "ply\nformat ascii 1.0\nelement vertex 1\nproperty float x\nend_header\n1\n",
                        "x, y and z"),
                Arguments.of(
                        "a.ply",
                        PLY.formatted("element face 1\nproperty list uchar int vertex_index\n", "3 0 1 9\n"),
                        "vertex 9 of 4"),
                Arguments.of(
                        "a.ply",
                        PLY.formatted("element face 1\nproperty list uchar int vertex_index\n", "300000 0 1 9\n"),
                        "list of 300000"));
    }

    @ParameterizedTest
    @MethodSource("wrong")
    void whatIsWrongIsNamedByItsPlace(String name, String text, String said) {
        assertThatExceptionOfType(UnreadableException.class)
                .isThrownBy(() -> read(name, text))
                .withMessageStartingWith(name)
                .withMessageContaining(said)
                .satisfies(PlainModelsTest::isASentence);
    }

    private static void isASentence(UnreadableException refused) {
        assertThat(refused.getMessage())
                .doesNotContain("Exception", "java.", "null", "NaN")
                .hasSizeLessThan(300)
                .endsWith(".");
        assertThat(refused.getMessage().chars().noneMatch(Character::isISOControl))
                .isTrue();
    }

    /** Cut anywhere, bytes changed anywhere: read or refused in a sentence. */
    @Property(tries = 400)
    void spoiltFilesAreReadOrRefused(@ForAll long seed) throws Exception {
        Random random = new Random(seed);
        float[] corners = triangles(random, 4);
        String name = List.of("s.obj", "s.stl", "t.stl", "s.ply", "t.ply").get(random.nextInt(5));
        byte[] bytes =
                switch (name) {
                    case "s.obj" -> obj(corners).getBytes(StandardCharsets.US_ASCII);
                    case "s.stl" -> stlLetters(corners).getBytes(StandardCharsets.US_ASCII);
                    case "t.stl" -> stlBinary(corners);
                    case "s.ply" -> ply("ascii", corners);
                    default -> ply("binary_little_endian", corners);
                };
        for (int i = 0; i < random.nextInt(5); i++) {
            bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
        }
        int length = random.nextInt(3) == 0 ? random.nextInt(bytes.length) : bytes.length;
        try {
            read(name, Arrays.copyOf(bytes, length));
        } catch (UnreadableException refused) {
            isASentence(refused);
        }
    }

    /** All that a cut leaves of a binary file is refused, at each of its bytes. */
    @ParameterizedTest
    @CsvSource({"cut.stl", "cut.ply"})
    void filesThatEndEarlyAreRefused(String name) throws Exception {
        float[] corners = triangles(new Random(7), 3);
        byte[] whole = name.endsWith("stl") ? stlBinary(corners) : ply("binary_big_endian", corners);
        for (int length = 1; length < whole.length; length++) {
            byte[] cut = Arrays.copyOf(whole, length);
            assertThatExceptionOfType(UnreadableException.class)
                    .as(String.format(Locale.ROOT, "%d of %d bytes", length, whole.length))
                    .isThrownBy(() -> read(name, cut));
        }
    }
}
