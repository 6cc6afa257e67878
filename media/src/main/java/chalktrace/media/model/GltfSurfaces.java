package chalktrace.media.model;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.Rgb;
import chalktrace.core.picture.Srgb;
import chalktrace.core.space.Surface;
import chalktrace.core.space.Texture;
import chalktrace.media.UnreadableException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.MissingNode;
import de.javagl.jgltf.impl.v2.GlTF;
import de.javagl.jgltf.impl.v2.Image;
import de.javagl.jgltf.impl.v2.Material;
import de.javagl.jgltf.impl.v2.MaterialPbrMetallicRoughness;
import de.javagl.jgltf.impl.v2.Sampler;
import de.javagl.jgltf.impl.v2.TextureInfo;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The materials of a glTF file, as far as base colour, its texture and opacity go: glTF 2.0, 3.9. */
final class GltfSurfaces {

    private static final double USUAL_CUTOFF = 0.5;
    private static final String TRANSFORM = "KHR_texture_transform";

    /** Numbers of the sampler's wrap modes: glTF 2.0, 5.26. */
    private static final int CLAMP_TO_EDGE = 33071;

    private static final int MIRRORED_REPEAT = 33648;

    private final GlTF gltf;
    private final ModelFolder folder;
    private final GltfAccessors numbers;
    private final Set<String> notes;
    private final Map<Integer, Optional<ArgbPicture>> pictures = new HashMap<>();
    private final List<Surface> all = new ArrayList<>();

    GltfSurfaces(GlTF gltf, ModelFolder folder, GltfAccessors numbers, Set<String> notes) throws UnreadableException {
        this.gltf = gltf;
        this.folder = folder;
        this.numbers = numbers;
        this.notes = notes;
        for (Material material : GltfModelReader.orEmpty(gltf.getMaterials())) {
            all.add(surface(material, all.size()));
        }
        Surface plain = Surface.PLAIN;
        all.add(new Surface("none", plain.color(), 1, Optional.empty(), plain.cover(), plain.cutout(), false));
    }

    /** The file's materials, and one for what has none. */
    List<Surface> all() {
        return all;
    }

    int index(Integer material) throws UnreadableException {
        int index = material == null ? all.size() - 1 : material;
        if (index < 0 || index >= all.size()) {
            throw folder.broken("a mesh names material " + index + ", which it does not have");
        }
        return index;
    }

    /** Which of a mesh's texture coordinates the base colour uses. */
    int texelSet(Integer material) {
        TextureInfo info = texture(material);
        JsonNode set = transform(info).path("texCoord");
        return set.isInt() ? set.intValue() : info == null || info.getTexCoord() == null ? 0 : info.getTexCoord();
    }

    /**
     * Texture coordinates where the material wants them: Khronos Group, "KHR_texture_transform".
     *
     * @param texels two numbers a vertex, which are changed
     */
    float[] placed(Integer material, float[] texels) {
        JsonNode transform = transform(texture(material));
        if (transform.isMissingNode()) {
            return texels;
        }
        double x = number(transform.path("offset").path(0), 0);
        double y = number(transform.path("offset").path(1), 0);
        double wide = number(transform.path("scale").path(0), 1);
        double high = number(transform.path("scale").path(1), 1);
        double cosine = Math.cos(number(transform.path("rotation"), 0));
        double sine = Math.sin(number(transform.path("rotation"), 0));
        for (int i = 0; i < texels.length; i += 2) {
            double u = texels[i] * wide;
            double v = texels[i + 1] * high;
            texels[i] = (float) (x + cosine * u + sine * v);
            texels[i + 1] = (float) (y - sine * u + cosine * v);
        }
        return texels;
    }

    private static double number(JsonNode node, double otherwise) {
        return node.isNumber() && Float.isFinite(node.floatValue()) ? node.doubleValue() : otherwise;
    }

    private static JsonNode transform(TextureInfo info) {
        Object held = info == null || info.getExtensions() == null
                ? null
                : info.getExtensions().get(TRANSFORM);
        return held == null ? MissingNode.getInstance() : new ObjectMapper().valueToTree(held);
    }

    private TextureInfo texture(Integer material) {
        return material == null || material >= all.size() - 1
                ? null
                : baseTexture(gltf.getMaterials().get(material));
    }

    private static TextureInfo baseTexture(Material material) {
        return material.getPbrMetallicRoughness() == null
                ? null
                : material.getPbrMetallicRoughness().getBaseColorTexture();
    }

    private Surface surface(Material material, int index) throws UnreadableException {
        MaterialPbrMetallicRoughness base = material.getPbrMetallicRoughness();
        float[] factor = base == null || base.getBaseColorFactor() == null
                ? new float[] {1, 1, 1, 1}
                : base.getBaseColorFactor();
        TextureInfo info = baseTexture(material);
        Optional<Texture> texture = info == null ? Optional.empty() : texture(info.getIndex(), index);
        Surface.Cover cover =
                switch (material.getAlphaMode() == null ? "OPAQUE" : material.getAlphaMode()) {
                    case "MASK" -> Surface.Cover.HOLES;
                    case "BLEND" -> Surface.Cover.SEE_THROUGH;
                    default -> Surface.Cover.WHOLE;
                };
        Float cutoff = material.getAlphaCutoff();
        return new Surface(
                material.getName() == null ? "material " + index : material.getName(),
                new Rgb(srgb(factor[0]), srgb(factor[1]), srgb(factor[2])),
                Math.max(0, Math.min(1, factor[3])),
                cover == Surface.Cover.WHOLE ? texture.map(GltfSurfaces::opaque) : texture,
                cover,
                cutoff == null ? USUAL_CUTOFF : cutoff,
                Boolean.TRUE.equals(material.isDoubleSided()));
    }

    /** What is clear has a colour all the same, which shows on what is no more than opaque. */
    private static Texture opaque(Texture texture) {
        return new Texture(TexturePicture.opaque(texture.picture()), texture.across(), texture.down());
    }

    private Optional<Texture> texture(Integer index, int material) throws UnreadableException {
        if (index == null
                || index < 0
                || index >= GltfModelReader.orEmpty(gltf.getTextures()).size()) {
            throw folder.broken("material " + material + " names texture " + index + ", which it does not have");
        }
        Integer source = gltf.getTextures().get(index).getSource();
        if (source == null) {
            notes.add("A texture in a form that is not read is left out.");
            return Optional.empty();
        }
        if (source < 0 || source >= GltfModelReader.orEmpty(gltf.getImages()).size()) {
            throw folder.broken("texture " + index + " names image " + source + ", which it does not have");
        }
        if (!pictures.containsKey(source)) {
            pictures.put(source, picture(gltf.getImages().get(source), source));
        }
        Sampler sampler = sampler(index);
        return pictures.get(source)
                .map(picture -> new Texture(picture, wrap(sampler.getWrapS()), wrap(sampler.getWrapT())));
    }

    private Sampler sampler(int texture) throws UnreadableException {
        Integer index = gltf.getTextures().get(texture).getSampler();
        if (index == null) {
            return new Sampler();
        }
        if (index < 0 || index >= GltfModelReader.orEmpty(gltf.getSamplers()).size()) {
            throw folder.broken("texture " + texture + " names sampler " + index + ", which it does not have");
        }
        return gltf.getSamplers().get(index);
    }

    private static Texture.Wrap wrap(Integer mode) {
        return mode == null
                ? Texture.Wrap.REPEAT
                : switch (mode) {
                    case CLAMP_TO_EDGE -> Texture.Wrap.CLAMP;
                    case MIRRORED_REPEAT -> Texture.Wrap.MIRROR;
                    default -> Texture.Wrap.REPEAT;
                };
    }

    private Optional<ArgbPicture> picture(Image image, int index) throws UnreadableException {
        if (image.getUri() == null && image.getBufferView() == null) {
            throw folder.broken("image " + index + " is neither in it nor named");
        }
        if (image.getUri() != null && folder.isMissing(image.getUri())) {
            notes.add("The texture \"" + Shown.of(image.getUri()) + "\" is missing.");
            return Optional.empty();
        }
        ByteBuffer bytes = image.getUri() != null ? folder.named(image.getUri()) : numbers.view(image.getBufferView());
        Optional<ArgbPicture> read = TexturePicture.read(bytes);
        if (read.isEmpty()) {
            notes.add("Image " + index + " can't be read and is left out.");
        }
        return read;
    }

    /** A linear part of a colour as sRGB, IEC 61966-2-1, 0 to 255. */
    static int srgb(double linear) {
        return (int) Math.round(255 * Srgb.part(Math.max(0, Math.min(1, linear))));
    }
}
