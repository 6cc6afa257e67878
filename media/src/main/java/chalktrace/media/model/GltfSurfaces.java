package chalktrace.media.model;

import chalktrace.core.picture.ArgbPicture;
import chalktrace.core.picture.Rgb;
import chalktrace.core.picture.Srgb;
import chalktrace.core.space.Surface;
import chalktrace.media.UnreadableException;
import de.javagl.jgltf.impl.v2.GlTF;
import de.javagl.jgltf.impl.v2.Image;
import de.javagl.jgltf.impl.v2.Material;
import de.javagl.jgltf.impl.v2.MaterialPbrMetallicRoughness;
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
        all.add(new Surface("none", Surface.PLAIN.color(), 1, Optional.empty(), 0, false));
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
        TextureInfo info = material == null || material >= all.size() - 1
                ? null
                : baseTexture(gltf.getMaterials().get(material));
        return info == null || info.getTexCoord() == null ? 0 : info.getTexCoord();
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
        Optional<ArgbPicture> texture = info == null ? Optional.empty() : texture(info.getIndex());
        String mode = material.getAlphaMode() == null ? "OPAQUE" : material.getAlphaMode();
        Float cutoff = material.getAlphaCutoff();
        return new Surface(
                material.getName() == null ? "material " + index : material.getName(),
                new Rgb(srgb(factor[0]), srgb(factor[1]), srgb(factor[2])),
                mode.equals("BLEND") ? Math.max(0, Math.min(1, factor[3])) : 1,
                texture,
                mode.equals("OPAQUE") ? 0 : mode.equals("MASK") && cutoff != null ? cutoff : USUAL_CUTOFF,
                Boolean.TRUE.equals(material.isDoubleSided()));
    }

    private Optional<ArgbPicture> texture(Integer index) throws UnreadableException {
        if (index == null
                || index < 0
                || index >= GltfModelReader.orEmpty(gltf.getTextures()).size()) {
            throw folder.broken("a material names texture " + index + ", which it does not have");
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
        return pictures.get(source);
    }

    private Optional<ArgbPicture> picture(Image image, int index) throws UnreadableException {
        if (image.getUri() == null && image.getBufferView() == null) {
            throw folder.broken("image " + index + " is neither in it nor named");
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
