package chalktrace.core.speech;

import java.util.Arrays;

/** The best row of any phones and silences up to each moment: what a script has to be measured against. */
final class PhoneLoop {

    private static final float NONE = Float.NEGATIVE_INFINITY;

    /** So that it does not change phones more often than speech does. */
    private static final float CHANGE = -6;

    private final AcousticModel model;
    private final double[] scores;
    private double best;

    PhoneLoop(AcousticModel model) {
        this.model = model;
        scores = new double[model.phones() * AcousticModel.STATES];
        Arrays.fill(scores, NONE);
    }

    /** Takes in a moment. @return the logarithm of how likely all up to it is */
    double next(float[] heard) {
        double enter = best;
        double most = NONE;
        double leave = NONE;
        for (int p = 0; p < model.phones(); p++) {
            int at = p * AcousticModel.STATES;
            double a = Math.max(scores[at] + model.transition(p, 0, 0), enter + CHANGE);
            double b = Math.max(scores[at + 1] + model.transition(p, 1, 1), scores[at] + model.transition(p, 0, 1));
            double c = Math.max(scores[at + 2] + model.transition(p, 2, 2), scores[at + 1] + model.transition(p, 1, 2));
            scores[at] = a + heard[at];
            scores[at + 1] = b + heard[at + 1];
            scores[at + 2] = c + heard[at + 2];
            leave = Math.max(leave, scores[at + 2] + model.transition(p, 2, 3));
            most = Math.max(most, Math.max(scores[at], Math.max(scores[at + 1], scores[at + 2])));
        }
        best = leave;
        return most;
    }
}
