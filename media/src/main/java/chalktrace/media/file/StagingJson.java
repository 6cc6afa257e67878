package chalktrace.media.file;

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
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Optional;

/** How a model is put before the camera, as JSON. */
final class StagingJson {

    private StagingJson() {}

    static void write(Staging use, ObjectNode to) {
        Dress dress = use.dress();
        to.put("look", ShotJson.word(dress.look()))
                .put("hiddenLines", dress.hidden())
                .put("shadow", dress.shadow())
                .put("grid", dress.grid());
        to.putObject("light")
                .put("yaw", dress.light().yaw())
                .put("pitch", dress.light().pitch());
        use.borrowed().ifPresent(lent -> {
            ObjectNode l = to.putObject("borrowed");
            l.put("footage", lent.footage()).put("animation", lent.motion());
            ShotJson.each(l, "joints", lent.pairs(), (pair, p) -> p.put("joint", pair.joint())
                    .put("from", pair.from()));
        });
        to.put("animation", use.motion())
                .put("fromSeconds", use.fromSeconds())
                .put("every", use.every())
                .put("loops", use.loops())
                .put("zUp", use.zUp())
                .put("cameraEvery", use.cameraEvery());
        write(use.view(), to.putObject("view"));
        ShotJson.each(to, "keys", use.keys(), (key, k) -> {
            k.put("frame", key.frame()).put("move", ShotJson.word(key.move()));
            write(key.orbit(), k.putObject("view"));
        });
        ShotJson.each(to, "views", use.views(), (view, v) -> {
            v.put("name", view.name());
            write(view.orbit(), v.putObject("view"));
        });
    }

    static Staging read(JsonFields f) throws JsonFields.WrongField {
        return new Staging(
                new Dress(
                        f.oneOf("look", ModelLook.class),
                        f.object("light").make(l -> new Light(l.number("yaw"), l.number("pitch"))),
                        f.flag("hiddenLines"),
                        f.flag("shadow"),
                        f.flag("grid")),
                f.text("animation"),
                f.has("borrowed") ? Optional.of(f.object("borrowed").make(StagingJson::borrowed)) : Optional.empty(),
                f.number("fromSeconds"),
                f.whole("every"),
                f.flag("loops"),
                f.flag("zUp"),
                f.object("view").make(StagingJson::orbit),
                f.list(
                        "keys",
                        item -> item.make(k -> new CameraKey(
                                k.whole("frame"),
                                k.object("view").make(StagingJson::orbit),
                                k.oneOf("move", CameraKey.Move.class)))),
                f.whole("cameraEvery"),
                f.list(
                        "views",
                        item -> item.make(v ->
                                new SavedView(v.text("name"), v.object("view").make(StagingJson::orbit)))));
    }

    private static Borrowed borrowed(JsonFields f) throws JsonFields.WrongField {
        return new Borrowed(
                f.text("footage"),
                f.text("animation"),
                f.list("joints", item -> item.make(p -> new JointPair(p.text("joint"), p.text("from")))));
    }

    private static void write(Orbit orbit, ObjectNode to) {
        to.put("yaw", orbit.yaw())
                .put("pitch", orbit.pitch())
                .put("roll", orbit.roll())
                .put("distance", orbit.distance())
                .put("lens", orbit.lens().millimetres());
        to.putObject("target")
                .put("x", orbit.target().x())
                .put("y", orbit.target().y())
                .put("z", orbit.target().z());
    }

    private static Orbit orbit(JsonFields f) throws JsonFields.WrongField {
        return new Orbit(
                f.number("yaw"),
                f.number("pitch"),
                f.number("roll"),
                f.number("distance"),
                f.object("target").make(t -> new Point3(t.number("x"), t.number("y"), t.number("z"))),
                new Lens(f.number("lens")));
    }
}
