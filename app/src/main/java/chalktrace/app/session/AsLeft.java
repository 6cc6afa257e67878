package chalktrace.app.session;

import chalktrace.app.sound.Transport;
import chalktrace.app.state.Preferences;
import chalktrace.core.picture.Rgb;
import chalktrace.core.render.OnionSkin;
import chalktrace.core.sound.PlayPath.Round;
import chalktrace.core.stroke.LineShape;
import java.util.List;
import java.util.function.Function;
import java.util.logging.Logger;
import javafx.beans.property.Property;

/** What a person set while working stands so in the next shot and on the next day: onion skin, smoothing, snapping, how is played. */
final class AsLeft {

    private static final Logger LOG = Logger.getLogger(AsLeft.class.getName());

    private static final double SLOWEST = 0.25;
    private static final double FASTEST = 4;

    private final Preferences preferences;

    private AsLeft(Preferences preferences) {
        this.preferences = preferences;
    }

    /** Sets all as it was left, and keeps what changes from now on. */
    static void keep(Preferences preferences, View view, Transport transport) {
        AsLeft left = new AsLeft(preferences);
        left.keep("onion-skin", view.onionSkinProperty(), Boolean::valueOf, String::valueOf);
        left.keep("onion-all-levels", view.onionAllLevelsProperty(), Boolean::valueOf, String::valueOf);
        left.keep("onion", view.onionProperty(), AsLeft::onion, AsLeft::text);
        left.keep("smoothing", view.steadinessProperty(), text -> within(text, 0, 1), String::valueOf);
        left.keep("each-step", view.eachStepProperty(), Boolean::valueOf, String::valueOf);
        left.keep("duster-px", view.dusterWidthProperty(), text -> within(text, 0, LineShape.WIDEST), String::valueOf);
        left.keep("snap-to-guides", view.snapToGuidesProperty(), Boolean::valueOf, String::valueOf);
        left.keep("play-speed", transport.speedProperty(), text -> within(text, SLOWEST, FASTEST), String::valueOf);
        left.keep("play-round", transport.roundProperty(), Round::valueOf, Round::name);
    }

    /** @param read throws IllegalArgumentException for what it can't read, which then stays as in a new program */
    private <T> void keep(String name, Property<T> property, Function<String, T> read, Function<T, String> write) {
        preferences.left(name).ifPresent(text -> {
            try {
                property.setValue(read.apply(text));
            } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
                LOG.info(() -> "the setting " + name + " can't be read and is as in a new program: " + e.getMessage());
            }
        });
        property.addListener((any, before, now) -> preferences.setLeft(name, write.apply(now)));
    }

    private static double within(String text, double least, double most) {
        double value = Double.parseDouble(text);
        if (!(value >= least && value <= most)) {
            throw new IllegalArgumentException(text + " is not from " + least + " to " + most);
        }
        return value;
    }

    /** Frames that are kept and drawings that are laid aside belong to a shot, and are not among it. */
    private static String text(OnionSkin onion) {
        return String.join(
                " ",
                String.valueOf(onion.before()),
                String.valueOf(onion.after()),
                onion.step().name(),
                String.valueOf(onion.strength()),
                String.valueOf(onion.falloff()),
                String.valueOf(onion.mix()),
                String.valueOf(onion.outlines()),
                onion.earlier().hex(),
                onion.later().hex());
    }

    private static OnionSkin onion(String text) {
        List<String> parts = List.of(text.split(" "));
        OnionSkin usual = OnionSkin.usual("");
        return new OnionSkin(
                usual.levels(),
                Integer.parseInt(parts.get(0)),
                Integer.parseInt(parts.get(1)),
                OnionSkin.Step.valueOf(parts.get(2)),
                within(parts.get(3), 0, 1),
                within(parts.get(4), 0, 1),
                within(parts.get(5), 0, 1),
                Boolean.parseBoolean(parts.get(6)),
                Rgb.parse(parts.get(7)),
                Rgb.parse(parts.get(8)),
                usual.kept(),
                usual.laidEarlier(),
                usual.laidLater());
    }
}
