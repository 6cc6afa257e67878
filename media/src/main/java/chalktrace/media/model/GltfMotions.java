package chalktrace.media.model;

import chalktrace.core.space.Channel;
import chalktrace.core.space.Motion;
import chalktrace.media.UnreadableException;
import de.javagl.jgltf.impl.v2.Animation;
import de.javagl.jgltf.impl.v2.AnimationChannel;
import de.javagl.jgltf.impl.v2.AnimationSampler;
import de.javagl.jgltf.impl.v2.GlTF;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** The animations of a glTF file: glTF 2.0, 3.11. */
final class GltfMotions {

    private final GlTF gltf;
    private final ModelFolder folder;
    private final GltfAccessors numbers;
    private final GltfNodes nodes;
    private final Set<String> notes;

    GltfMotions(GlTF gltf, ModelFolder folder, GltfAccessors numbers, GltfNodes nodes, Set<String> notes) {
        this.gltf = gltf;
        this.folder = folder;
        this.numbers = numbers;
        this.nodes = nodes;
        this.notes = notes;
    }

    /** Of many animations that move one joint each, as some programs write them, the first plays all together. */
    List<Motion> all() throws UnreadableException {
        List<Motion> motions = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (Animation animation : GltfModelReader.orEmpty(gltf.getAnimations())) {
            String name = animation.getName() == null ? "Animation " + (motions.size() + 1) : animation.getName();
            for (int n = 2; !names.add(name); n++) {
                name = name.replaceFirst(" \\(\\d+\\)$", "") + " (" + n + ")";
            }
            List<Channel> channels = new ArrayList<>();
            for (AnimationChannel channel : GltfModelReader.orEmpty(animation.getChannels())) {
                channel(channel, animation, "animation \"" + name + "\"").ifPresent(channels::add);
            }
            if (!channels.isEmpty()) {
                motions.add(new Motion(name, channels));
            }
        }
        if (areOfOneJointEach(motions)) {
            motions.add(
                    0,
                    new Motion(
                            "All together",
                            motions.stream().flatMap(m -> m.channels().stream()).toList()));
        }
        return motions;
    }

    /** Whether several animations move one joint each, and each another. */
    private static boolean areOfOneJointEach(List<Motion> motions) {
        Set<Integer> moved = new HashSet<>();
        for (Motion motion : motions) {
            Set<Integer> own = motion.channels().stream().map(Channel::node).collect(Collectors.toSet());
            if (own.size() > 1 || !moved.addAll(own)) {
                return false;
            }
        }
        return motions.size() > 1;
    }

    private Optional<Channel> channel(AnimationChannel channel, Animation animation, String where)
            throws UnreadableException {
        String path = channel.getTarget() == null ? null : channel.getTarget().getPath();
        Channel.Property property = path == null
                ? null
                : switch (path) {
                    case "translation" -> Channel.Property.MOVE;
                    case "rotation" -> Channel.Property.TURN;
                    case "scale" -> Channel.Property.SCALE;
                    case "weights" -> Channel.Property.MORPHS;
                    default -> null;
                };
        if (property == null || channel.getTarget().getNode() == null) {
            notes.add("An animation of " + (path == null ? "nothing" : path) + " is not read.");
            return Optional.empty();
        }
        int index = channel.getSampler() == null ? -1 : channel.getSampler();
        if (index < 0
                || index >= GltfModelReader.orEmpty(animation.getSamplers()).size()) {
            throw folder.broken(where + " names sampler " + index + ", which it does not have");
        }
        AnimationSampler sampler = animation.getSamplers().get(index);
        if (sampler.getInput() == null || sampler.getOutput() == null) {
            throw folder.broken(where + ", sampler " + index + " is not whole");
        }
        float[] times = numbers.floats(sampler.getInput(), where + ", times", 1);
        float[] values = numbers.floats(sampler.getOutput(), where + ", values", numbers.width(sampler.getOutput()));
        Channel.Way way = "STEP".equals(sampler.getInterpolation())
                ? Channel.Way.STEP
                : "CUBICSPLINE".equals(sampler.getInterpolation()) ? Channel.Way.CUBIC_SPLINE : Channel.Way.LINEAR;
        int width = property == Channel.Property.TURN ? 4 : 3;
        try {
            Channel made = new Channel(nodes.place(channel.getTarget().getNode(), where), property, way, times, values);
            if (property != Channel.Property.MORPHS && made.width() != width) {
                throw folder.broken(where + ", sampler " + index + " has " + made.width() + " numbers a key");
            }
            return Optional.of(made);
        } catch (IllegalArgumentException e) {
            throw folder.broken(where + ", sampler " + index + " " + e.getMessage());
        }
    }
}
