package chalktrace.media.model;

import chalktrace.core.space.Channel;
import chalktrace.core.space.Model;
import chalktrace.core.space.Motion;
import chalktrace.core.space.Point3;
import chalktrace.core.space.Quaternion;
import chalktrace.core.space.StickFigure;
import chalktrace.media.UnreadableException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.StringTokenizer;

/**
 * Reads BVH motion (Biovision hierarchy, as described by Meredith and Maddock, "Motion capture file formats explained", 2001) as a stick figure.
 * Turns are made in the order in which their channels are written.
 */
final class BvhModel {

    private static final int MOST_JOINTS = 10_000;
    private static final int DEEPEST = 500;
    private static final int MOST_FRAMES = 1_000_000;

    private static final String MOTION_NAME = "Motion";

    /** A joint, and where its channels' numbers are in a line of the motion. */
    private record Joint(String name, int parent, Point3 offset, List<String> channels, int firstNumber) {}

    private final ModelFolder folder;
    private final StringTokenizer words;
    private final List<Joint> joints = new ArrayList<>();
    private int numbers;

    private BvhModel(ModelFolder folder) throws UnreadableException {
        this.folder = folder;
        this.words = new StringTokenizer(new String(folder.text(), StandardCharsets.ISO_8859_1));
    }

    static Model read(ModelFolder folder) throws UnreadableException {
        return new BvhModel(folder).model();
    }

    private Model model() throws UnreadableException {
        expect("HIERARCHY");
        String word = next();
        while (word.equalsIgnoreCase("ROOT")) {
            joint(-1, 0);
            word = next();
        }
        if (!word.equalsIgnoreCase("MOTION") || joints.isEmpty()) {
            throw folder.broken("\"" + Shown.of(word) + "\" stands where MOTION should");
        }
        expect("Frames:");
        double stated = number("the number of frames");
        expect("Frame");
        expect("Time:");
        double seconds = number("the time of a frame");
        if (!(stated >= 1 && stated <= MOST_FRAMES) || !(seconds > 0 && seconds < 3600)) {
            throw folder.broken(String.format(Locale.ROOT, "it has %.0f frames of %f s", stated, seconds));
        }
        int frames = (int) Math.min(stated, (long) words.countTokens() / Math.max(1, numbers));
        if (frames == 0) {
            throw folder.broken("it ends before its first frame");
        }
        if (frames < stated) {
            throw folder.broken(String.format(Locale.ROOT, "it ends after %d of %.0f frames", frames, stated));
        }
        float[][] values = new float[frames][numbers];
        for (int f = 0; f < frames; f++) {
            for (int i = 0; i < numbers; i++) {
                values[f][i] = (float) number("frame " + f);
            }
        }
        StickFigure sticks = new StickFigure();
        joints.forEach(joint -> sticks.add(joint.name(), joint.parent(), joint.offset()));
        return sticks.model(List.of(new Motion(MOTION_NAME, channels(values, seconds))), List.of());
    }

    /** @param parent -1 for none */
    private void joint(int parent, int depth) throws UnreadableException {
        String name = next();
        if (depth > DEEPEST || joints.size() >= MOST_JOINTS) {
            throw folder.wrong("has more than " + MOST_JOINTS + " joints, or " + DEEPEST + " in a row", "Reduce it.");
        }
        expect("{");
        Point3 offset = Point3.ZERO;
        List<String> channels = new ArrayList<>();
        int index = joints.size();
        joints.add(new Joint(name, parent, offset, channels, numbers));
        for (String word = next(); !word.equals("}"); word = next()) {
            switch (word.toUpperCase(Locale.ROOT)) {
                case "OFFSET" -> {
                    offset = new Point3(number("an offset"), number("an offset"), number("an offset"));
                    joints.set(
                            index,
                            new Joint(
                                    name,
                                    parent,
                                    offset,
                                    channels,
                                    joints.get(index).firstNumber()));
                }
                case "CHANNELS" -> {
                    double count = number("the number of channels");
                    if (!(count >= 0 && count <= 6) || !channels.isEmpty()) {
                        throw folder.broken("joint " + Shown.of(name) + " has " + (int) count + " channels");
                    }
                    for (int i = 0; i < count; i++) {
                        channels.add(channel(next(), name));
                    }
                    numbers += channels.size();
                }
                case "JOINT" -> joint(index, depth + 1);
                case "END" -> {
                    expect("Site");
                    expect("{");
                    expect("OFFSET");
                    joints.add(new Joint(
                            name + " end",
                            index,
                            new Point3(number("an offset"), number("an offset"), number("an offset")),
                            List.of(),
                            numbers));
                    expect("}");
                }
                default -> throw folder.broken("joint " + Shown.of(name) + " holds \"" + Shown.of(word) + "\"");
            }
        }
    }

    private String channel(String word, String joint) throws UnreadableException {
        String lower = word.toLowerCase(Locale.ROOT);
        if (!lower.matches("[xyz](position|rotation)")) {
            throw folder.broken("joint " + Shown.of(joint) + " has a channel \"" + Shown.of(word) + "\"");
        }
        return lower;
    }

    private List<Channel> channels(float[][] values, double frameSeconds) {
        float[] times = new float[values.length];
        for (int f = 0; f < times.length; f++) {
            times[f] = (float) (f * frameSeconds);
        }
        List<Channel> channels = new ArrayList<>();
        for (int j = 0; j < joints.size(); j++) {
            Joint joint = joints.get(j);
            if (joint.channels().stream().anyMatch(name -> name.endsWith("rotation"))) {
                float[] turns = new float[4 * times.length];
                for (int f = 0; f < times.length; f++) {
                    Quaternion q = turn(joint, values[f]);
                    turns[4 * f] = (float) q.x();
                    turns[4 * f + 1] = (float) q.y();
                    turns[4 * f + 2] = (float) q.z();
                    turns[4 * f + 3] = (float) q.w();
                }
                channels.add(new Channel(j, Channel.Property.TURN, Channel.Way.LINEAR, times, turns));
            }
            if (joint.channels().stream().anyMatch(name -> name.endsWith("position"))) {
                float[] moves = new float[3 * times.length];
                for (int f = 0; f < times.length; f++) {
                    Point3 to = place(joint, values[f]);
                    moves[3 * f] = (float) to.x();
                    moves[3 * f + 1] = (float) to.y();
                    moves[3 * f + 2] = (float) to.z();
                }
                channels.add(new Channel(j, Channel.Property.MOVE, Channel.Way.LINEAR, times, moves));
            }
        }
        return channels;
    }

    private static Quaternion turn(Joint joint, float[] line) {
        Quaternion turn = Quaternion.NONE;
        for (int i = 0; i < joint.channels().size(); i++) {
            String name = joint.channels().get(i);
            if (name.endsWith("rotation")) {
                turn = turn.times(Quaternion.about(axis(name), line[joint.firstNumber() + i]));
            }
        }
        return turn;
    }

    private static Point3 axis(String channel) {
        return switch (channel.charAt(0)) {
            case 'x' -> new Point3(1, 0, 0);
            case 'y' -> new Point3(0, 1, 0);
            default -> new Point3(0, 0, 1);
        };
    }

    /** A position that a file gives takes the place of the offset, as far as it gives one. */
    private static Point3 place(Joint joint, float[] line) {
        double[] to = {joint.offset().x(), joint.offset().y(), joint.offset().z()};
        for (int i = 0; i < joint.channels().size(); i++) {
            String name = joint.channels().get(i);
            if (name.endsWith("position")) {
                to[name.charAt(0) - 'x'] = line[joint.firstNumber() + i];
            }
        }
        return new Point3(to[0], to[1], to[2]);
    }

    private void expect(String word) throws UnreadableException {
        String found = next();
        if (!found.equalsIgnoreCase(word)) {
            throw folder.broken("\"" + Shown.of(found) + "\" stands where " + word + " should");
        }
    }

    private double number(String what) throws UnreadableException {
        String word = next();
        try {
            double value = Double.parseDouble(word);
            if (Double.isFinite(value)) {
                return value;
            }
        } catch (NumberFormatException e) {
            throw folder.broken("\"" + Shown.of(word) + "\" stands where " + what + " should");
        }
        throw folder.broken(what + " is not finite");
    }

    private String next() throws UnreadableException {
        if (!words.hasMoreTokens()) {
            throw folder.broken("it ends early");
        }
        return words.nextToken();
    }
}
