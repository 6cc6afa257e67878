package chalktrace.core.check;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.SetAside;
import chalktrace.core.shot.SetAsidePart;
import chalktrace.core.shot.Shot;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** All that is looked for in a shot. */
public final class Checks {

    private static final List<Check> ALL = List.of(
            new OutsideShot(),
            new EmptyShown(),
            new OneFrameGap(),
            new BrokenTwos(),
            new NeverShown(),
            new CycleShowsTwice(),
            new AlmostTogether(),
            new WordWithoutMouth());

    private Checks() {}

    /** What is found and not set aside, check by check. */
    public static List<Finding> of(Shot shot) {
        Set<SetAside> meant = Set.copyOf(shot.get(SetAsidePart.SET_ASIDE));
        return ALL.stream()
                .flatMap(check -> check.of(shot).stream())
                .filter(finding -> !meant.contains(finding.setAside()))
                .toList();
    }

    /** What mends a finding, where there is such a thing. */
    public static Optional<Edit> mend(Finding finding) {
        return ALL.stream()
                .filter(check -> check.id().equals(finding.check()))
                .findFirst()
                .flatMap(check -> check.mend(finding));
    }

    /** The ids of all checks. */
    public static List<String> ids() {
        return ALL.stream().map(Check::id).toList();
    }
}
