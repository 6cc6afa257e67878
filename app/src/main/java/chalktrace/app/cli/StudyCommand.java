package chalktrace.app.cli;

import chalktrace.core.motion.MotionProposal;
import chalktrace.core.motion.MovingPoint;
import chalktrace.core.motion.SpanAdvice;
import chalktrace.core.motion.Study;
import chalktrace.core.motion.StudySettings;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "study",
        description = "Propose keys, breakdowns, contacts, smears and ones, twos or threes from measured movement.")
final class StudyCommand implements Callable<Integer> {

    @Parameters(paramLabel = "CLIP", description = "Footage, or a shot whose points were tracked.")
    Path file;

    @Option(
            names = "--points",
            paramLabel = "FILE.csv",
            description = "Paths to judge: point,frame,x,y. Without them, what moves in the clip is followed.")
    Path points;

    @Option(
            names = "--coarse",
            paramLabel = "0..1",
            description = "0 for every small turn, 1 for the great ones alone; usually 0.5.")
    double coarse = StudySettings.USUAL_COARSE;

    @Option(
            names = "--limit",
            paramLabel = "PERCENT",
            description =
                    "How far a drawing may be from the one before it, in percent of the picture's height; usually 8.")
    double limit = StudySettings.USUAL_LIMIT_PERCENT;

    @Option(names = "--floor", paramLabel = "Y", description = "Where things stand, in px; otherwise it is found.")
    Double floor;

    @Mixin
    MediaAccess media;

    @Mixin
    Answer answer;

    @Override
    public Integer call() throws Exception {
        StudySubject subject = StudySubject.of(file, points, media);
        StudySettings settings = new StudySettings(
                coarse, subject.heightPx(), limit, floor == null ? subject.floorY() : OptionalDouble.of(floor));
        Study measured = Study.of(subject.points(), subject.first(), subject.last(), settings);
        Study study = subject.named() ? measured : measured.withoutContacts();
        ObjectNode document = Answer.object();
        StringBuilder text = new StringBuilder();
        add(document, text, "keys", study.keys());
        add(document, text, "breakdowns", study.breakdowns());
        add(document, text, "contacts", study.contacts());
        add(document, text, "smears", study.smears());
        ArrayNode spans = document.putArray("spans");
        for (SpanAdvice span : study.spans()) {
            spans.addObject()
                    .put("from", span.from())
                    .put("to", span.to())
                    .put("every", span.every())
                    .put("reason", span.reason());
            text.append(String.format(
                    Locale.ROOT,
                    "span       %5d to %d, every %d: %s%n",
                    span.from(),
                    span.to(),
                    span.every(),
                    span.reason()));
        }
        addSpacing(document.putArray("spacing"), subject.points());
        if (text.isEmpty()) {
            text.append("Nothing moves in ").append(file.getFileName()).append(", as far as can be seen.");
        }
        answer.print(text.toString().stripTrailing(), document);
        return 0;
    }

    private static void add(ObjectNode document, StringBuilder text, String name, List<MotionProposal> proposals) {
        ArrayNode rows = document.putArray(name);
        for (MotionProposal proposal : proposals) {
            ObjectNode row = rows.addObject().put("frame", proposal.frame()).put("reason", proposal.reason());
            ArrayNode names = row.putArray("points");
            proposal.points().forEach(names::add);
            text.append(String.format(
                    Locale.ROOT,
                    "%-10s %5d  %s (%s)%n",
                    name.replaceFirst("s$", ""),
                    proposal.frame(),
                    proposal.reason(),
                    String.join(", ", proposal.points())));
        }
    }

    private static void addSpacing(ArrayNode rows, List<MovingPoint> points) {
        for (MovingPoint point : points) {
            for (int frame = point.firstFrame(); frame <= point.lastFrame(); frame++) {
                int at = frame;
                point.spacing(frame).ifPresent(px -> rows.addObject()
                        .put("point", point.name())
                        .put("frame", at)
                        .put("px", TrackCommand.rounded(px)));
            }
        }
    }
}
