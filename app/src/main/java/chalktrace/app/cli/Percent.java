package chalktrace.app.cli;

/** Says on standard error how far long work is, but not into files and pipes. */
final class Percent {

    private final boolean shown;
    private int last = -1;

    Percent(Answer answer) {
        shown = !answer.json && System.console() != null;
    }

    /** @param done 0 to 1 @return true: on the command line work is ended from outside */
    boolean show(double done) {
        int percent = (int) (100 * done);
        if (shown && percent > last) {
            last = percent;
            System.err.print("\r" + percent + " % ");
        }
        return true;
    }

    void end() {
        if (shown) {
            System.err.print("\r        \r");
        }
    }
}
