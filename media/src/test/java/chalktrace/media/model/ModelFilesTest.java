package chalktrace.media.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Rgb;
import chalktrace.core.space.Figure;
import chalktrace.core.space.Model;
import chalktrace.core.space.Staging;
import chalktrace.media.UnreadableException;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class ModelFilesTest {

    @TempDir
    Path folder;

    @Test
    void aSoundModelIsReadWhole() throws Exception {
        Model model = ModelFiles.read(GltfText.write(folder.resolve("a.gltf"), root -> {}))
                .model();
        assertThat(model.triangles()).isEqualTo(1);
        assertThat(model.vertices()).isEqualTo(3);
        assertThat(model.joints()).hasSize(2);
        assertThat(model.surfaces().get(0).color()).isEqualTo(new Rgb(255, 0, 0));
        assertThat(model.motions()).singleElement().satisfies(motion -> {
            assertThat(motion.name()).isEqualTo("turn");
            assertThat(motion.seconds()).isEqualTo(1);
        });
        assertThat(model.notes()).isEmpty();
        // The third vertex hangs on the knee, which stands 1 higher and turns by 90 degrees about z: (0, 2) to (-2, 1).
        Figure figure = new Figure(model);
        assertThat(figure.pose(model.motion("turn"), 1).bounds().low().x()).isCloseTo(-2, within(1e-6));
    }

    static Stream<Arguments> spoilt() {
        return Stream.of(
                spoil("names vertex", root -> GltfText.at(root, "/accessors/1")
                        .put("bufferView", 5)
                        .put("componentType", 5123)
                        .put("count", 3)),
                spoil("circle", root -> GltfText.at(root, "/nodes/2")
                        .putArray("children")
                        .add(1)),
                spoil("two others", root -> GltfText.at(root, "/nodes/0")
                        .putArray("children")
                        .add(2)),
                spoil("mesh 7", root -> GltfText.at(root, "/nodes/0").put("mesh", 7)),
                spoil("skin 3", root -> GltfText.at(root, "/nodes/0").put("skin", 3)),
                spoil("camera 1", root -> GltfText.at(root, "/nodes/0").put("camera", 1)),
                spoil("material 5", root -> GltfText.at(root, "/meshes/0/primitives/0")
                        .put("material", 5)),
                spoil("accessor 99", root -> GltfText.at(root, "/meshes/0/primitives/0")
                        .put("indices", 99)),
                spoil("beyond its buffer", root -> GltfText.at(root, "/accessors/0")
                        .put("count", 100)),
                spoil("beyond its buffer", root -> GltfText.at(root, "/bufferViews/0")
                        .put("byteOffset", 1000)),
                spoil("negative", root -> GltfText.at(root, "/bufferViews/0").put("byteOffset", -4)),
                spoil("negative", root -> GltfText.at(root, "/accessors/0").put("byteOffset", -4)),
                spoil("negative", root -> GltfText.at(root, "/bufferViews/0").put("byteLength", -36)),
                spoil("buffer 4", root -> GltfText.at(root, "/bufferViews/0").put("buffer", 4)),
                spoil("bytes", root -> GltfText.at(root, "/buffers/0").put("byteLength", 4000)),
                spoil("not there", root -> GltfText.at(root, "/buffers/0").put("uri", "missing.bin")),
                spoil("outside its folder", root -> GltfText.at(root, "/buffers/0")
                        .put("uri", "../secret.bin")),
                spoil("outside its folder", root -> GltfText.at(root, "/buffers/0")
                        .put("uri", "/etc/passwd")),
                spoil("outside its folder", root -> GltfText.at(root, "/buffers/0")
                        .put("uri", "http://a.b/c.bin")),
                spoil("no base64", root -> GltfText.at(root, "/buffers/0").put("uri", "data:;base64,%%%")),
                spoil("KHR_draco_mesh_compression", root -> root.putArray("extensionsRequired")
                        .add("KHR_draco_mesh_compression")),
                spoil("glTF 1.0", root -> GltfText.at(root, "/asset").put("version", "1.0")),
                spoil("do not rise", root -> GltfText.at(root, "/accessors/2").put("bufferView", 0)),
                spoil("not finite", root -> GltfText.at(root, "/accessors/0")
                        .put("bufferView", 5)
                        .put("byteOffset", 12)
                        .put("componentType", 5126)
                        .put("count", 3)
                        .put("normalized", false)),
                spoil("sampler 4", root -> GltfText.at(root, "/animations/0/channels/0")
                        .put("sampler", 4)),
                spoil("node 12", root -> GltfText.at(root, "/animations/0/channels/0/target")
                        .put("node", 12)),
                spoil("scene 3", root -> root.put("scene", 3)),
                spoil("no surface", root -> root.putArray("meshes").addObject().putArray("primitives")),
                spoil("is not what glTF says", root -> root.put("nodes", "many")));
    }

    private static Arguments spoil(String said, Consumer<ObjectNode> how) {
        return Arguments.of(said, how);
    }

    @ParameterizedTest
    @MethodSource("spoilt")
    void aSpoiltModelIsRefusedWithWhatIsWrong(String said, Consumer<ObjectNode> how) throws Exception {
        Path file = GltfText.write(folder.resolve("spoilt.gltf"), root -> {
            if (said.equals("not finite")) {
                spoilWeights(root);
            }
            how.accept(root);
        });
        assertThatExceptionOfType(UnreadableException.class)
                .isThrownBy(() -> ModelFiles.read(file))
                .withMessageStartingWith("spoilt.gltf")
                .withMessageContaining(said);
    }

    private static void spoilWeights(ObjectNode root) {
        String uri = root.at("/buffers/0/uri").asText();
        byte[] bytes = Base64.getDecoder().decode(uri.substring(uri.indexOf(',') + 1));
        ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).putFloat(112, Float.NaN);
        GltfText.at(root, "/buffers/0")
                .put("uri", "data:;base64," + Base64.getEncoder().encodeToString(bytes));
    }

    /** Bytes changed anywhere, cut anywhere: read or refused in words, never anything else. */
    @Test
    void filesSpoiltByChanceAreReadOrRefused() throws Exception {
        long seed = Long.getLong("chalktrace.seed", System.nanoTime());
        System.out.println("seed of spoilt models: " + seed);
        SplittableRandom random = new SplittableRandom(seed);
        byte[] sound = Files.readAllBytes(GltfText.write(folder.resolve("sound.gltf"), root -> {}));
        byte[] bvh = BVH.getBytes(StandardCharsets.US_ASCII);
        byte[] obj = OBJ.getBytes(StandardCharsets.US_ASCII);
        List<String> endings = List.of("gltf", "bvh", "obj");
        List<byte[]> all = List.of(sound, bvh, obj);
        for (int i = 0; i < 600; i++) {
            byte[] bytes = all.get(i % 3).clone();
            for (int k = 0; k < 1 + random.nextInt(4); k++) {
                bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(32, 127);
            }
            int length = random.nextInt(4) == 0 ? random.nextInt(bytes.length) : bytes.length;
            Path file = folder.resolve("chance." + endings.get(i % 3));
            Files.write(file, Arrays.copyOf(bytes, length));
            try {
                Figure figure = ModelFiles.read(file);
                figure.pose(figure.model().motions().stream().findFirst(), 0.5);
            } catch (UnreadableException e) {
                assertThat(e.getMessage())
                        .startsWith("chance.")
                        .endsWith(".")
                        .hasSizeLessThan(300)
                        .doesNotContain("Exception", "java.");
            }
        }
    }

    /** Programs add notes of their own. */
    @Test
    void whatNobodyKnowsIsNoDamage() throws Exception {
        Model model = ModelFiles.read(GltfText.write(folder.resolve("a.gltf"), root -> {
                    GltfText.at(root, "/bufferViews/0").put("_hash", "0c1f");
                    GltfText.at(root, "/asset").putObject("author").put("_name", "me");
                }))
                .model();
        assertThat(model.triangles()).isEqualTo(1);
    }

    @Test
    void whatIsNotReadIsNamed() throws Exception {
        Model model = ModelFiles.read(GltfText.write(folder.resolve("a.gltf"), root -> {
                    root.putArray("extensionsUsed").add("KHR_materials_transmission");
                    ((ArrayNode) root.at("/meshes/0/primitives"))
                            .addObject()
                            .put("mode", 1)
                            .putObject("attributes")
                            .put("POSITION", 0);
                }))
                .model();
        assertThat(model.notes())
                .anyMatch(note -> note.contains("KHR_materials_transmission"))
                .anyMatch(note -> note.contains("lines"));
    }

    @Test
    void aLinkOutOfTheFolderIsNotFollowed() throws Exception {
        Path outside = Files.createDirectories(folder.resolve("outside"));
        Path inside = Files.createDirectories(folder.resolve("inside"));
        Files.write(outside.resolve("secret.bin"), new byte[144]);
        Files.createSymbolicLink(inside.resolve("here.bin"), outside.resolve("secret.bin"));
        Path file = GltfText.write(inside.resolve("a.gltf"), root -> GltfText.at(root, "/buffers/0")
                .put("uri", "here.bin"));
        assertThatExceptionOfType(UnreadableException.class)
                .isThrownBy(() -> ModelFiles.read(file))
                .withMessageContaining("outside its folder");
    }

    private static final String OBJ =
            """
            mtllib paint.mtl
            v 0 0 0
            v 2 0 0
            v 2 2 0
            v 1 0.5 0
            v 0 2 0
            usemtl blue
            f -5 -4 -3 -2 -1
            """;

    /** An arrowhead cut into three triangles covers its area: 4 less the notch, 1.5; the shoelace formula. */
    @Test
    void aPolygonThatIsNotConvexCoversItsAreaAlone() throws Exception {
        Files.writeString(folder.resolve("paint.mtl"), "newmtl blue\nKd 0 0 1\n");
        Model model = ModelFiles.read(Files.writeString(folder.resolve("arrow.obj"), OBJ))
                .model();
        float[] p = model.meshes().get(0).positions();
        double area = 0;
        for (int t = 0; t < p.length; t += 9) {
            area += Math.abs((p[t + 3] - p[t]) * (p[t + 7] - p[t + 1]) - (p[t + 6] - p[t]) * (p[t + 4] - p[t + 1])) / 2;
        }
        assertThat(model.triangles()).isEqualTo(3);
        assertThat(area).isCloseTo(2.5, within(1e-6));
        assertThat(model.surfaces().get(model.meshes().get(0).surface()).color())
                .isEqualTo(new Rgb(0, 0, 255));
    }

    @Test
    void missingMaterialsAreNamedAndGrey() throws Exception {
        Model model = ModelFiles.read(Files.writeString(folder.resolve("arrow.obj"), OBJ))
                .model();
        assertThat(model.notes()).anyMatch(note -> note.contains("paint.mtl")).anyMatch(note -> note.contains("blue"));
    }

    @Test
    void whatIsSeenThroughIsDrawnToo() throws Exception {
        Files.writeString(folder.resolve("paint.mtl"), "newmtl blue\nKd 0 0 1\nd 0.5\n");
        Figure figure = ModelFiles.read(Files.writeString(folder.resolve("arrow.obj"), OBJ));
        PictureSize size = new PictureSize(160, 90);
        int[] words = Staging.of(figure, size).at(figure, 0, 0, size).draw().toArgb();
        assertThat(figure.model().surfaces()).anyMatch(surface -> surface.opacity() == 0.5);
        assertThat(Arrays.stream(words).filter(word -> word >>> 24 > 0).count()).isGreaterThan(200);
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-16", "UTF-16LE", "UTF-16BE", "UTF-8"})
    void aModelIsReadInWhateverLettersItIsWritten(String letters) throws Exception {
        Path file = folder.resolve("arrow.obj");
        String mark = letters.equals("UTF-16") ? "" : "\uFEFF";
        Files.write(file, (mark + OBJ).getBytes(Charset.forName(letters)));
        assertThat(ModelFiles.read(file).model().triangles()).isEqualTo(3);
    }

    @Test
    void anObjThatNamesWhatIsNotThereIsRefused() throws IOException {
        Path file = Files.writeString(folder.resolve("bad.obj"), "v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 9\n");
        assertThatExceptionOfType(UnreadableException.class)
                .isThrownBy(() -> ModelFiles.read(file))
                .withMessageContaining("bad.obj")
                .withMessageContaining("vertex 9 of 3");
    }

    private static final String BVH =
            """
            HIERARCHY
            ROOT Hips
            {
              OFFSET 0 0 0
              CHANNELS 6 Xposition Yposition Zposition Zrotation Xrotation Yrotation
              JOINT Chest
              {
                OFFSET 0 10 0
                CHANNELS 3 Zrotation Xrotation Yrotation
                End Site
                {
                  OFFSET 0 5 0
                }
              }
            }
            MOTION
            Frames: 2
            Frame Time: 0.5
            0 90 0 0 0 0 0 0 0
            0 92 0 90 0 0 0 90 0
            """;

    /** Worked out by hand: Z by 90 degrees takes the chest to -x; there X by 90 degrees, turned with it, takes its end out of the picture. */
    @Test
    void bvhTurnsAreMadeInTheOrderOfTheirChannels() throws Exception {
        Figure figure = ModelFiles.read(Files.writeString(folder.resolve("walk.bvh"), BVH));
        Model model = figure.model();
        var pose = figure.pose(model.motion("Motion"), 0.5);
        assertThat(model.joints()).hasSize(3);
        assertThat(pose.joint(0).y()).isCloseTo(92, within(1e-5));
        assertThat(pose.joint(1).x()).isCloseTo(-10, within(1e-5));
        assertThat(pose.joint(1).y()).isCloseTo(92, within(1e-5));
        assertThat(pose.joint(2).x()).isCloseTo(-10, within(1e-5));
        assertThat(pose.joint(2).z()).isCloseTo(5, within(1e-5));
    }

    /** The hips start 90 above where the hierarchy has them: the camera looks there. */
    @Test
    void aMotionThatStartsElsewhereIsInThePicture() throws Exception {
        Figure figure = ModelFiles.read(Files.writeString(folder.resolve("walk.bvh"), BVH));
        PictureSize size = new PictureSize(160, 90);
        int[] words = Staging.of(figure, size).at(figure, 0, 0, size).draw().toArgb();
        assertThat(Arrays.stream(words).filter(word -> word >>> 24 > 0).count()).isGreaterThan(200);
    }

    /** Cut at any place before its last frame is whole. */
    @Test
    void aBvhThatEndsEarlyIsRefused() throws Exception {
        for (int length = 1; length < BVH.lastIndexOf('0'); length++) {
            Path file = Files.writeString(folder.resolve("cut.bvh"), BVH.substring(0, length));
            assertThatExceptionOfType(UnreadableException.class)
                    .as("%d of %d letters", length, BVH.length())
                    .isThrownBy(() -> ModelFiles.read(file))
                    .withMessageStartingWith("cut.bvh is damaged: ");
        }
    }
}
