package chalktrace.app.voice;

import chalktrace.app.bench.LaneKind;
import chalktrace.app.feature.Feature;
import chalktrace.app.kernel.FileChoice;
import chalktrace.app.kernel.Selection.Item;
import chalktrace.app.keys.Action;
import chalktrace.app.keys.Keys;
import chalktrace.app.session.Session;
import chalktrace.app.session.View.Step;
import chalktrace.app.tray.TrayRows;
import chalktrace.core.edit.speech.SpeechEdits;
import chalktrace.core.edit.timing.MarkEdits;
import java.util.List;
import java.util.Set;

/** From a recorded line to mouths on frames, and cues that meet the picture. */
public final class VoiceFeature implements Feature {

    private static final Set<Step> STEPS = Set.of(Step.VOICE, Step.FINISH);
    private static final int WORDS = 400;
    private static final int PHONES = 500;
    private static final int MOUTHS = 600;

    /** Under the sounds. */
    private static final int CUES = 800;

    private final VoiceWork work;
    private final FileChoice files;

    /** Made with the bench. */
    private WordLane words;

    private CueLane cues;

    public VoiceFeature(Session session, FileChoice files) {
        this.work = new VoiceWork(session);
        this.files = files;
    }

    VoiceWork work() {
        return work;
    }

    @Override
    public List<LaneKind> lanes() {
        return List.of(
                new LaneKind(WORDS, STEPS, (session, scale) -> words = new WordLane(work, scale)),
                new LaneKind(PHONES, STEPS, PhoneLane::new),
                new LaneKind(MOUTHS, STEPS, (session, scale) -> new MouthLane(work, scale)),
                new LaneKind(CUES, STEPS, (session, scale) -> cues = new CueLane(work, scale)));
    }

    @Override
    public List<TrayRows> trayRows() {
        return List.of(new TrayRows(
                Step.VOICE, () -> List.of(new VoiceRows(work, files, words::typeAtGate, cues::typeAtGate))));
    }

    @Override
    public void actions(Keys keys) {
        keys.on(Action.WORD, words::typeAtGate)
                .on(Action.CUE, cues::typeAtGate)
                .onWhile(Action.REMOVE, () -> isChosen(Item.Kind.WORD) || isChosen(Item.Kind.CUE), this::removeChosen);
    }

    private boolean isChosen(Item.Kind kind) {
        Item item = work.session().selection().itemProperty().get();
        return item != null && item.kind() == kind;
    }

    private void removeChosen() {
        Session session = work.session();
        String id = session.selection().itemProperty().get().id();
        session.document().apply(isChosen(Item.Kind.WORD) ? SpeechEdits.removeWord(id) : MarkEdits.removeCue(id));
        session.selection().itemProperty().set(null);
    }

    @Override
    public void close() {
        work.recording().drop();
    }
}
