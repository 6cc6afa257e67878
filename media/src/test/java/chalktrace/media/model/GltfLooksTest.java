package chalktrace.media.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.space.Bounds;
import chalktrace.core.space.Dress;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Lens;
import chalktrace.core.space.Model;
import chalktrace.core.space.ModelLook;
import chalktrace.core.space.ModelRenderer;
import chalktrace.core.space.Motion;
import chalktrace.core.space.Orbit;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.Optional;
import java.util.function.Consumer;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a sheet of 2 by 2, seen from the front, looks like with all that glTF 2.0 says of materials. */
class GltfLooksTest {

    private static final ObjectMapper JSON = new ObjectMapper();
    private static final PictureSize SIZE = new PictureSize(200, 200);
    private static final int UPPER_LEFT = 0xFFC00000;
    private static final int UPPER_RIGHT = 0xFF00C000;
    private static final int LOWER_LEFT = 0xFF0000C0;
    private static final int LOWER_RIGHT = 0x00C0C000;

    @TempDir
    Path folder;

    /** Its texture is of four colours, the last of them clear. */
    private Figure sheet(Consumer<ObjectNode> changed) throws Exception {
        ByteBuffer bytes = ByteBuffer.allocate(48 + 32 + 64 + 64 + 64 + 64 + 36).order(ByteOrder.LITTLE_ENDIAN);
        put(bytes, -1, 1, 0, -1, -1, 0, 1, -1, 0, 1, 1, 0);
        put(bytes, 0, 0, 0, 1, 1, 1, 1, 0);
        for (int v = 0; v < 4; v++) {
            put(bytes, 0.5f, 0.25f, 1, 0.5f);
        }
        for (int set = 0; set < 2; set++) {
            for (int v = 0; v < 4; v++) {
                bytes.put(new byte[] {(byte) set, 0, 0, 0});
            }
            for (int v = 0; v < 4; v++) {
                put(bytes, set == 0 ? 0.5f : 0.25f, 0, 0, 0);
            }
        }
        bytes.position(48 + 32 + 64 + 160);
        put(bytes, 0, 0, 0, 4, 0, 0);
        String data =
                "data:application/octet-stream;base64," + Base64.getEncoder().encodeToString(bytes.array());
        String accessor =
                "{\"bufferView\": 0, \"byteOffset\": %d, \"componentType\": %d, \"count\": %d, \"type\": \"%s\"},";
        String accessors = accessor.formatted(0, 5126, 4, "VEC3")
                + accessor.formatted(48, 5126, 4, "VEC2")
                + accessor.formatted(80, 5126, 4, "VEC4")
                + accessor.formatted(144, 5121, 4, "VEC4")
                + accessor.formatted(160, 5126, 4, "VEC4")
                + accessor.formatted(224, 5121, 4, "VEC4")
                + accessor.formatted(240, 5126, 4, "VEC4")
                + accessor.formatted(304, 5126, 2, "VEC3");
        ObjectNode root = (ObjectNode) JSON.readTree(
                """
                {"asset": {"version": "2.0"}, "scene": 0, "scenes": [{"nodes": [0]}],
                 "nodes": [{"mesh": 0}, {"name": "a"}, {"name": "b", "translation": [0, 4, 0]}],
                 "meshes": [{"primitives": [{"attributes": {"POSITION": 0, "TEXCOORD_0": 1}, "mode": 6, "material": 0}]}],
                 "materials": [{"doubleSided": true, "pbrMetallicRoughness": {}}],
                 "textures": [{"source": 0, "sampler": 0}], "samplers": [{}], "images": [{"uri": "IMAGE"}],
                 "accessors": [ACCESSORS],
                 "bufferViews": [{"buffer": 0, "byteOffset": 0, "byteLength": 372}],
                 "buffers": [{"byteLength": 372, "uri": "DATA"}]}
                """
                        .replace("ACCESSORS", accessors.substring(0, accessors.length() - 1))
                        .replace("DATA", data)
                        .replace("IMAGE", picture()));
        changed.accept(root);
        return ModelFiles.read(Files.writeString(folder.resolve("sheet.gltf"), JSON.writeValueAsString(root)));
    }

    private static void put(ByteBuffer bytes, float... values) {
        for (float value : values) {
            bytes.putFloat(value);
        }
    }

    private static String picture() throws IOException {
        BufferedImage image = new BufferedImage(64, 64, BufferedImage.TYPE_INT_ARGB);
        for (int i = 0; i < 64 * 64; i++) {
            int x = i % 64;
            int y = i / 64;
            image.setRGB(x, y, y < 32 ? x < 32 ? UPPER_LEFT : UPPER_RIGHT : x < 32 ? LOWER_LEFT : LOWER_RIGHT);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return "data:image/png;base64," + Base64.getEncoder().encodeToString(out.toByteArray());
    }

    private static ObjectNode material(ObjectNode root) {
        return GltfText.at(root, "/materials/0");
    }

    private static ObjectNode base(ObjectNode root) {
        return GltfText.at(root, "/materials/0/pbrMetallicRoughness");
    }

    private static ObjectNode textured(ObjectNode root) {
        return base(root).putObject("baseColorTexture").put("index", 0);
    }

    private static void factor(ObjectNode root, double red, double green, double blue, double alpha) {
        base(root).putArray("baseColorFactor").add(red).add(green).add(blue).add(alpha);
    }

    /** The word at a place of the sheet, (0, 0) its upper left, (1, 1) its lower right. */
    private static int word(Figure figure, double x, double y) {
        Bounds flat = figure.rest().bounds();
        Orbit front = Orbit.round(flat, 0, 0, new Lens(200), 1);
        int[] words = ModelRenderer.render(figure.rest(), front, Dress.USUAL.withLook(ModelLook.FLAT), SIZE)
                .toArgb();
        int left = SIZE.width();
        int right = 0;
        for (int i = 0; i < words.length; i++) {
            left = words[i] == 0 ? left : Math.min(left, i % SIZE.width());
            right = words[i] == 0 ? right : Math.max(right, i % SIZE.width());
        }
        // The sheet is square and in the middle.
        int wide = Math.max(1, right + 1 - left);
        int top = (SIZE.height() - wide) / 2;
        return words[(int) (top + y * wide) * SIZE.width() + Math.min(SIZE.width() - 1, (int) (left + x * wide))];
    }

    @Test
    void whatIsOpaqueShowsTheColourOfWhatIsClear() throws Exception {
        Figure figure = sheet(GltfLooksTest::textured);
        assertThat(word(figure, 0.25, 0.25)).isEqualTo(UPPER_LEFT);
        assertThat(word(figure, 0.75, 0.25)).isEqualTo(UPPER_RIGHT);
        assertThat(word(figure, 0.25, 0.75)).isEqualTo(LOWER_LEFT);
        assertThat(word(figure, 0.75, 0.75)).isEqualTo(0xFF000000 | LOWER_RIGHT);
    }

    /** Twice as far as the texture goes: numbers of wrap modes by glTF 2.0, 5.26. */
    @ParameterizedTest
    @CsvSource({"10497, UPPER_LEFT, UPPER_RIGHT", "33648, UPPER_RIGHT, UPPER_LEFT", "33071, UPPER_RIGHT, UPPER_RIGHT"})
    void texturesGoOnAsTheirSamplerSays(int mode, String third, String fourth) throws Exception {
        Figure figure = sheet(root -> {
            textured(root)
                    .putObject("extensions")
                    .putObject("KHR_texture_transform")
                    .putArray("scale")
                    .add(2)
                    .add(1);
            GltfText.at(root, "/samplers/0").put("wrapS", mode);
        });
        assertThat(word(figure, 0.125, 0.25)).isEqualTo(UPPER_LEFT);
        assertThat(word(figure, 0.375, 0.25)).isEqualTo(UPPER_RIGHT);
        assertThat(word(figure, 0.625, 0.25)).isEqualTo(named(third));
        assertThat(word(figure, 0.875, 0.25)).isEqualTo(named(fourth));
    }

    private static int named(String color) {
        return color.equals("UPPER_LEFT") ? UPPER_LEFT : UPPER_RIGHT;
    }

    /**
     * The worked example of KHR_texture_transform (Khronos Group; from memory): this offset, turn and scale show the lower left quarter of the
     * picture and nothing else. A second one without the turn shows the upper right.
     */
    @Test
    void texturesArePlacedAsTheExtensionSays() throws Exception {
        Figure lowerLeft = sheet(root -> {
            ObjectNode transform = textured(root).putObject("extensions").putObject("KHR_texture_transform");
            transform.putArray("offset").add(0).add(1);
            transform.put("rotation", Math.PI / 2);
            transform.putArray("scale").add(0.5).add(0.5);
        });
        Figure upperRight = sheet(root -> {
            ObjectNode transform = textured(root).putObject("extensions").putObject("KHR_texture_transform");
            transform.putArray("offset").add(0.5).add(0);
            transform.putArray("scale").add(0.5).add(0.5);
        });
        for (double[] at : new double[][] {{0.2, 0.2}, {0.8, 0.2}, {0.2, 0.8}, {0.8, 0.8}}) {
            assertThat(word(lowerLeft, at[0], at[1])).isEqualTo(LOWER_LEFT);
            assertThat(word(upperRight, at[0], at[1])).isEqualTo(UPPER_RIGHT);
        }
    }

    /** Half of half the light, and a quarter of all, are a quarter: 137 as sRGB (IEC 61966-2-1). */
    @Test
    void coloursOfVerticesAreLinearLight() throws Exception {
        Figure figure = sheet(root -> {
            factor(root, 0.5, 1, 1, 1);
            GltfText.at(root, "/meshes/0/primitives/0/attributes").put("COLOR_0", 2);
        });
        assertThat(word(figure, 0.5, 0.5)).isEqualTo(0xFF8989FF);
    }

    @ParameterizedTest
    @CsvSource({"0.4, false", "0.6, true"})
    void aMaskAsksForAllItsOpacity(double alpha, boolean seen) throws Exception {
        Figure figure = sheet(root -> {
            factor(root, 1, 1, 1, alpha);
            material(root).put("alphaMode", "MASK");
        });
        assertThat(word(figure, 0.5, 0.5)).isEqualTo(seen ? 0xFFFFFFFF : 0);
    }

    @ParameterizedTest
    @CsvSource({"0.02", "0.1", "0.37", "0.5", "0.9"})
    void whatIsSeenThroughCoversAsMuchAsItSays(double alpha) throws Exception {
        Figure figure = sheet(root -> {
            factor(root, 1, 0, 0, alpha);
            material(root).put("alphaMode", "BLEND");
        });
        int word = word(figure, 0.5, 0.5);
        assertThat(word >>> 24).isCloseTo((int) Math.round(255 * alpha), within(1));
        assertThat(word & 0xFFFFFF).isEqualTo(0xFF0000);
    }

    /** The nearer of two counts first, whichever comes first in the file: 0.5 over 0.5 covers 0.75 (Porter and Duff 1984). */
    @ParameterizedTest
    @CsvSource({"1", "-1"})
    void whatIsSeenThroughLiesOneBehindTheOther(double z) throws Exception {
        Figure figure = sheet(root -> {
            factor(root, 1, 1, 1, 0.5);
            material(root).put("alphaMode", "BLEND");
            ObjectNode second = material(root).deepCopy();
            ((ArrayNode) root.at("/materials")).add(second);
            GltfText.at(root, "/materials/1/pbrMetallicRoughness")
                    .putArray("baseColorFactor")
                    .add(1)
                    .add(0)
                    .add(0)
                    .add(0.5);
            ObjectNode mesh = GltfText.at(root, "/meshes/0").deepCopy();
            GltfText.at(mesh, "/primitives/0").put("material", 1);
            ((ArrayNode) root.at("/meshes")).add(mesh);
            GltfText.at(root, "/nodes/1")
                    .put("mesh", 1)
                    .putArray("translation")
                    .add(0)
                    .add(0)
                    .add(0.01 * z);
            ((ArrayNode) root.at("/scenes/0/nodes")).add(1);
        });
        int word = word(figure, 0.5, 0.5);
        assertThat(word >>> 24).isCloseTo(191, within(2));
        assertThat(word >> 16 & 255).isEqualTo(255);
        // White in front is two thirds of what is seen, white behind one third.
        assertThat(word & 255).isCloseTo(z > 0 ? 85 : 170, within(2));
    }

    @Test
    void aTextureThatIsMissingIsNamedAndTheRestShown() throws Exception {
        Figure figure = sheet(root -> {
            textured(root);
            factor(root, 0, 1, 0, 1);
            GltfText.at(root, "/images/0").put("uri", "gone%20away.png");
        });
        assertThat(figure.model().notes()).anyMatch(note -> note.contains("gone%20away.png"));
        assertThat(word(figure, 0.5, 0.5)).isEqualTo(0xFF00FF00);
    }

    /** A joint that stands 4 up pulls each vertex with 0.25 of 0.75: all of it stands 4 / 3 up. */
    @Test
    void moreThanFourJointsPullAVertex() throws Exception {
        Figure figure = sheet(root -> {
            GltfText.at(root, "/meshes/0/primitives/0/attributes")
                    .put("JOINTS_0", 3)
                    .put("WEIGHTS_0", 4)
                    .put("JOINTS_1", 5)
                    .put("WEIGHTS_1", 6);
            root.putArray("skins").addObject().putArray("joints").add(1).add(2);
            GltfText.at(root, "/nodes/0").put("skin", 0);
        });
        assertThat(figure.rest().bounds().middle().y()).isCloseTo(4.0 / 3, within(1e-5));
        assertThat(figure.model().notes()).isEmpty();
    }

    @Test
    void aMeshStandsWhereEachOfItsInstancesDoes() throws Exception {
        Figure figure = sheet(root -> GltfText.at(root, "/nodes/0")
                .putObject("extensions")
                .putObject("EXT_mesh_gpu_instancing")
                .putObject("attributes")
                .put("TRANSLATION", 7));
        assertThat(figure.model().triangles()).isEqualTo(4);
        assertThat(figure.rest().bounds().low().x()).isCloseTo(-1, within(1e-5));
        assertThat(figure.rest().bounds().high().x()).isCloseTo(5, within(1e-5));
    }

    private static void moves(ObjectNode root, int... nodes) {
        var animations = root.putArray("animations");
        for (int node : nodes) {
            ObjectNode animation = animations.addObject();
            animation.putArray("samplers").addObject().put("input", 8).put("output", 7);
            animation
                    .putArray("channels")
                    .addObject()
                    .put("sampler", 0)
                    .putObject("target")
                    .put("node", node)
                    .put("path", "translation");
        }
        ((ArrayNode) root.at("/accessors"))
                .addObject()
                .put("bufferView", 0)
                .put("byteOffset", 48 + 4)
                .put("componentType", 5126)
                .put("count", 2)
                .put("type", "SCALAR");
    }

    /** It goes 4 to the right from where it stood: times are 0 and 1 of the texture coordinates. */
    @Test
    void whatAModelReachesIsAllItsWay() throws Exception {
        Figure figure = sheet(root -> {
            moves(root, 0);
            GltfText.at(root, "/accessors/8").put("byteOffset", 48 + 8);
        });
        assertThat(figure.bounds().high().x()).isCloseTo(1, within(1e-5));
        assertThat(figure.reach().low().x()).isCloseTo(-1, within(1e-5));
        assertThat(figure.reach().high().x()).isCloseTo(5, within(1e-5));
    }

    @Test
    void animationsOfOneJointEachPlayTogether() throws Exception {
        Model model = sheet(root -> {
                    moves(root, 0, 1);
                    GltfText.at(root, "/accessors/8").put("byteOffset", 48 + 8);
                })
                .model();
        assertThat(model.motions()).hasSize(3);
        assertThat(model.motions().get(0).channels()).hasSize(2);
        assertThat(Optional.of(model.motions().get(0)).map(Motion::seconds)).contains(1.0);
    }
}
