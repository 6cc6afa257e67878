package chalktrace.core.shot;

import chalktrace.core.tree.Branch;
import chalktrace.core.tree.Fields;
import chalktrace.core.tree.WrongField;
import java.util.List;

/** A mouth chart as a tree: within a shot, and by itself in a file, so that shots can share it. */
public final class ChartTree {

    private ChartTree() {}

    public static void write(MouthChart chart, Branch to) {
        to.put("name", chart.name()).each("mouths", chart.mouths(), (mouth, m) -> m.put("id", mouth.id())
                .put("sounds", mouth.sounds())
                .put("phones", String.join(" ", mouth.phones()))
                .put("priority", mouth.priority())
                .put("leastMillis", mouth.leastMillis()));
    }

    /** @throws WrongField when it is none, or a phone has no mouth or two */
    public static MouthChart read(Fields from) throws WrongField {
        List<MouthChart.Mouth> mouths = from.list(
                "mouths",
                mouth -> new MouthChart.Mouth(
                        mouth.text("id"),
                        mouth.text("sounds"),
                        mouth.text("phones").isBlank()
                                ? List.of()
                                : List.of(mouth.text("phones").strip().split("\\s+")),
                        mouth.whole("priority"),
                        mouth.whole("leastMillis")));
        return from.make(chart -> new MouthChart(chart.text("name"), mouths));
    }
}
