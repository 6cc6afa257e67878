package chalktrace.app.voice;

import chalktrace.app.session.Session;
import chalktrace.app.sound.Recording;
import chalktrace.app.state.UserDictionary;
import chalktrace.media.sound.DeviceIn;
import java.nio.file.Path;

/** What the Voice step works with: a line is recorded and aligned, its mouths lie on frames, and cues meet the picture. */
final class VoiceWork {

    private final Session session;
    private final Recording recording;
    private final Voicing voicing;
    private final Cueing cueing;
    private final MouthFollowing mouthFollowing;
    private final MouthsSeen mouthsSeen = new MouthsSeen();

    VoiceWork(Session session) {
        this.session = session;
        Path folder = session.stateFolder();
        recording = new Recording(
                session.document(),
                session.transport(),
                session.jobs(),
                session.notices(),
                folder,
                DeviceIn::openOrSimulated);
        voicing = new Voicing(
                session.document(),
                session.voiceSound(),
                new UserDictionary(folder),
                session.jobs(),
                session.proposals(),
                session.notices());
        cueing = new Cueing(
                session.document(), session.voiceSound(), session.soundMoves(), session.proposals(), session.notices());
        mouthFollowing =
                new MouthFollowing(session.document(), session.transport(), session.proposals(), session.notices());
    }

    Session session() {
        return session;
    }

    Recording recording() {
        return recording;
    }

    Voicing voicing() {
        return voicing;
    }

    Cueing cueing() {
        return cueing;
    }

    MouthFollowing mouthFollowing() {
        return mouthFollowing;
    }

    MouthsSeen mouthsSeen() {
        return mouthsSeen;
    }
}
