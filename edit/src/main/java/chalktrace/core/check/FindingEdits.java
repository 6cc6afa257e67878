package chalktrace.core.check;

import chalktrace.core.edit.Edit;
import chalktrace.core.shot.SetAside;
import chalktrace.core.shot.SetAsidePart;
import chalktrace.core.words.EditWords;
import java.util.ArrayList;
import java.util.List;

/** Edits of what is meant as it is, though a check finds it. */
public final class FindingEdits {

    private FindingEdits() {}

    public static Edit setAside(Finding finding) {
        return new Edit(EditWords.TEXTS.of("set-a-possible-mistake-aside"), shot -> {
            List<SetAside> all = new ArrayList<>(shot.get(SetAsidePart.SET_ASIDE));
            all.add(finding.setAside());
            return shot.with(SetAsidePart.SET_ASIDE, all);
        });
    }

    /** Lists all again that was set aside. */
    public static Edit listAll() {
        return new Edit(
                EditWords.TEXTS.of("list-all-possible-mistakes-again"),
                shot -> shot.with(SetAsidePart.SET_ASIDE, List.of()));
    }
}
