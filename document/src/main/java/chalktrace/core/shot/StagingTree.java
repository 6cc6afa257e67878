package chalktrace.core.shot;

import chalktrace.core.space.Borrowed;
import chalktrace.core.space.CameraKey;
import chalktrace.core.space.Dress;
import chalktrace.core.space.JointPair;
import chalktrace.core.space.Lens;
import chalktrace.core.space.Light;
import chalktrace.core.space.ModelLook;
import chalktrace.core.space.Orbit;
import chalktrace.core.space.Point3;
import chalktrace.core.space.SavedView;
import chalktrace.core.space.Staging;
import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;

/** How a model is put before the camera, as a tree. */
final class StagingTree {

    private StagingTree() {}

    static void write(Staging use, Branch to) {
        Dress dress = use.dress();
        to.put("look", dress.look())
                .put("hiddenLines", dress.hidden())
                .put("shadow", dress.shadow())
                .put("grid", dress.grid());
        to.branch("light")
                .put("yaw", dress.light().yaw())
                .put("pitch", dress.light().pitch());
        use.borrowed().ifPresent(lent -> to.branch("borrowed")
                .put("footage", lent.footage())
                .put("animation", lent.motion())
                .each("joints", lent.pairs(), (pair, p) -> p.put("joint", pair.joint())
                        .put("from", pair.from())));
        to.put("animation", use.motion())
                .put("fromSeconds", use.fromSeconds())
                .put("every", use.every())
                .put("loops", use.loops())
                .put("zUp", use.zUp())
                .put("cameraEvery", use.cameraEvery());
        write(use.view(), to.branch("view"));
        to.each("keys", use.keys(), (key, k) -> {
            k.put("frame", key.frame()).put("move", key.move());
            write(key.orbit(), k.branch("view"));
        });
        to.each("views", use.views(), (view, v) -> {
            v.put("name", view.name());
            write(view.orbit(), v.branch("view"));
        });
    }

    static Staging read(Fields from) throws WrongField {
        return new Staging(
                new Dress(
                        from.oneOf("look", ModelLook.class),
                        from.object("light").make(light -> new Light(light.number("yaw"), light.number("pitch"))),
                        from.flag("hiddenLines"),
                        from.flag("shadow"),
                        from.flag("grid")),
                from.text("animation"),
                from.ifAny("borrowed", StagingTree::borrowed),
                from.number("fromSeconds"),
                from.whole("every"),
                from.flag("loops"),
                from.flag("zUp"),
                from.object("view").make(StagingTree::orbit),
                from.list(
                        "keys",
                        key -> new CameraKey(
                                key.whole("frame"),
                                key.object("view").make(StagingTree::orbit),
                                key.oneOf("move", CameraKey.Move.class))),
                from.whole("cameraEvery"),
                from.list(
                        "views",
                        view -> new SavedView(
                                view.text("name"), view.object("view").make(StagingTree::orbit))));
    }

    private static Borrowed borrowed(Fields from) throws WrongField {
        return new Borrowed(
                from.text("footage"),
                from.text("animation"),
                from.list("joints", pair -> new JointPair(pair.text("joint"), pair.text("from"))));
    }

    private static void write(Orbit orbit, Branch to) {
        to.put("yaw", orbit.yaw())
                .put("pitch", orbit.pitch())
                .put("roll", orbit.roll())
                .put("distance", orbit.distance())
                .put("lens", orbit.lens().millimetres());
        to.branch("target")
                .put("x", orbit.target().x())
                .put("y", orbit.target().y())
                .put("z", orbit.target().z());
    }

    private static Orbit orbit(Fields from) throws WrongField {
        return new Orbit(
                from.number("yaw"),
                from.number("pitch"),
                from.number("roll"),
                from.number("distance"),
                from.object("target")
                        .make(target -> new Point3(target.number("x"), target.number("y"), target.number("z"))),
                new Lens(from.number("lens")));
    }
}
