package chalktrace.app.study;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.StringJoiner;

/** All measures of points on each frame as a CSV table (RFC 4180); frames from 0, a field is empty where nothing is known. */
final class MeasureTable {

    private static final String LINE_END = "\r\n";

    private MeasureTable() {}

    /** @param heightPx of the shot's picture */
    static String of(List<StudyWork.MovingTrack> tracks, int heightPx) {
        StringJoiner head = new StringJoiner(",", "point,frame,", LINE_END);
        for (StudyMeasure measure : StudyMeasure.values()) {
            head.add(measure.name().toLowerCase(Locale.ROOT));
        }
        StringBuilder out = new StringBuilder(head.toString());
        for (StudyWork.MovingTrack track : tracks) {
            for (int frame = track.movement().firstFrame();
                    frame <= track.movement().lastFrame();
                    frame++) {
                if (track.movement().knows(frame)) {
                    out.append(quoted(track.track().name())).append(',').append(frame);
                    for (StudyMeasure measure : StudyMeasure.values()) {
                        OptionalDouble value = measure.of(track, track.movement(), frame, heightPx);
                        out.append(',');
                        value.ifPresent(v -> out.append(String.format(Locale.ROOT, "%.3f", v)));
                    }
                    out.append(LINE_END);
                }
            }
        }
        return out.toString();
    }

    private static String quoted(String text) {
        return '"' + text.replace("\"", "\"\"") + '"';
    }
}
