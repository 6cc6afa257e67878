package chalktrace.core.shot;

import java.util.List;

/** All parts of a shot. Each comes after those that it leans on. */
public final class ShotParts {

    public static final List<ShotPart<?>> ALL = List.of(
            NamePart.NAME,
            SetupPart.SETUP,
            ChalksPart.CHALKS,
            LevelsPart.LEVELS,
            GroupsPart.GROUPS,
            CyclesPart.CYCLES,
            FootagePart.FOOTAGE,
            SoundsPart.SOUNDS,
            SpeechPart.SPEECH,
            CuesPart.CUES,
            MarksPart.MARKS,
            GuidesPart.GUIDES,
            TracksPart.TRACKS,
            RidesPart.RIDES,
            SetAsidePart.SET_ASIDE);

    private ShotParts() {}
}
