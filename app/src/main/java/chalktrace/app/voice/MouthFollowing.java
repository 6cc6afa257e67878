package chalktrace.app.voice;

import chalktrace.app.footage.FootageTrack;
import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Proposals;
import chalktrace.app.sound.Transport;
import chalktrace.app.words.Words;
import chalktrace.core.between.PartMotion;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.mouth.MouthLevels;
import chalktrace.core.shot.MouthPlace;
import chalktrace.core.shot.Placement;
import chalktrace.core.shot.Shot;
import java.awt.geom.Point2D;
import java.util.List;
import java.util.Optional;

/** Lets the mouths of a shot follow a head. Lives on the FX thread. */
final class MouthFollowing {

    /** So many times as wide as the mouth is the patch that is followed, from its middle to its side. */
    private static final double HEAD_SHARE = 1.5;

    private final Document document;
    private final Transport transport;
    private final Proposals proposals;
    private final Notices notices;

    MouthFollowing(Document document, Transport transport, Proposals proposals, Notices notices) {
        this.document = document;
        this.transport = transport;
        this.proposals = proposals;
        this.notices = notices;
    }

    /** Lets the mouths follow a drawn part of a level, from the gate's frame on as it is there. */
    public void followPart(String levelId, String part) {
        Shot shot = document.shot();
        if (MouthLevels.find(shot).isEmpty()) {
            notices.problem(Words.VOICE.of("there-is-no-mouth-level"));
            return;
        }
        int gate = transport.frame();
        proposals.propose(
                Words.VOICE.of("follow", part.isEmpty() ? Words.VOICE.of("the-drawing") : part),
                now -> List.of(now.levels()),
                (now, job) -> now.level(levelId)
                        .flatMap(level -> PartMotion.follow(
                                level,
                                part,
                                gate,
                                now.setup().length(),
                                now.setup().size().width() / 2.0,
                                now.setup().size().height() / 2.0))
                        .map(way -> Proposals.Outcome.of(follow(now, gate, way)))
                        .orElse(Proposals.Outcome.only(
                                () -> notices.problem(Words.VOICE.of("nothing-of-that-part-is")))));
    }

    /** Lets the mouths follow the footage: the head about the mouth at the gate is tracked from there to both ends. */
    public void followFootage() {
        Shot shot = document.shot();
        Optional<MouthPlace> mouth = shot.mouthPlace();
        if (MouthLevels.find(shot).isEmpty() || mouth.isEmpty()) {
            notices.problem(Words.VOICE.of("there-is-no-mouth-level"));
            return;
        }
        int gate = transport.frame();
        Point2D middle = MouthLevels.placementAt(shot, gate)
                .transform(
                        shot.setup().size().width() / 2.0, shot.setup().size().height() / 2.0)
                .transform(new Point2D.Double(mouth.get().x(), mouth.get().y()), null);
        double reach = HEAD_SHARE * mouth.get().width();
        proposals.proposeLong(
                Words.VOICE.of("follow-the-footage"), now -> List.of(now.levels(), now.footage()), (now, job) -> {
                    FootageTrack.Followed track =
                            FootageTrack.follow(now, gate, now.setup().frames(), middle, reach, job);
                    return new Proposals.Outcome(follow(now, gate, track.way()), () -> sayLost(now, track));
                });
    }

    private void sayLost(Shot shot, FootageTrack.Followed track) {
        if (!track.lost().isEmpty()) {
            notices.say(Words.VOICE.of(
                    "it-was-lost-at-frame", shot.setup().number(track.lost().get(0))));
        }
    }

    /** On top of how the mouth is placed at the gate. */
    private static Edit follow(Shot shot, int gate, List<Placement> way) {
        Placement own = MouthLevels.placementAt(shot, gate);
        return MouthLevels.follow(way.stream().map(own::then).toList());
    }
}
