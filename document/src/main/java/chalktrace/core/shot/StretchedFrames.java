package chalktrace.core.shot;

import chalktrace.core.time.Conform;
import chalktrace.core.time.FrameMap;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/**
 * Some frames brought to others, and those between them in proportion. The sound stays.
 *
 * @param to where each of them comes to, both in rising order; before the first and after the last frames move as these do
 */
public record StretchedFrames(NavigableMap<Integer, Integer> to, FrameReach reach) implements FrameChange {

    /** @throws IllegalArgumentException when two frames would change places */
    public StretchedFrames {
        to = new TreeMap<>(to);
        int before = Integer.MIN_VALUE;
        for (Map.Entry<Integer, Integer> frame : to.entrySet()) {
            if (frame.getValue() < before) {
                throw new IllegalArgumentException("Frame " + frame.getKey() + " (from 0) would come to "
                        + frame.getValue() + ", before what is earlier than it.");
            }
            before = frame.getValue();
        }
    }

    @Override
    public int frame(int was) {
        Map.Entry<Integer, Integer> before = to.floorEntry(was);
        Map.Entry<Integer, Integer> after = to.ceilingEntry(was);
        if (before == null || after == null) {
            Map.Entry<Integer, Integer> near = before == null ? after : before;
            return near == null ? was : was + near.getValue() - near.getKey();
        }
        if (before.getKey().equals(after.getKey())) {
            return before.getValue();
        }
        double share = (was - before.getKey()) / (double) (after.getKey() - before.getKey());
        return (int) Math.round(before.getValue() + share * (after.getValue() - before.getValue()));
    }

    @Override
    public double seconds(double was) {
        return was;
    }

    /** Moving footage is stretched along, so that each of these frames keeps its picture. */
    @Override
    public Conform conform(Conform was) {
        if (was.pace() == Conform.Pace.HELD) {
            return FrameChange.super.conform(was);
        }
        List<FrameMap.Knot> knots = new ArrayList<>();
        to.forEach((before, frame) -> knots.add(new FrameMap.Knot(frame, before)));
        return was.retimed(new FrameMap(knots));
    }
}
