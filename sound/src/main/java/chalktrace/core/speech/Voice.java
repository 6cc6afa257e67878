package chalktrace.core.speech;

import java.util.List;

/**
 * How a speaker's phones differ from the model's: one shift of the features for each phone, learnt from where the phones were
 * found. What was heard seldom leans on its class, vowels or consonants, as the regression classes of C. Leggetter and
 * P. Woodland do ("Maximum likelihood linear regression for speaker adaptation of continuous density hidden Markov models",
 * Computer Speech and Language 9, 1995), and the shift alone is kept of their transform.
 */
final class Voice {

    /** The model's own. */
    static final Voice OF_THE_MODEL = new Voice(new float[0][]);

    /** A phone's own shift counts as much as its class's when it was heard for so many moments. */
    private static final double PHONE_MOMENTS = 20;

    /** A class's shift counts as much as none when it was heard for so many moments. */
    private static final double CLASS_MOMENTS = 100;

    private static final float[] NONE = new float[CepstralFrontEnd.FEATURES];

    private final float[][] shifts;

    private Voice(float[][] shifts) {
        this.shifts = shifts;
    }

    /** What its feature of a phone is off by. */
    float[] shift(int phone) {
        return phone < shifts.length ? shifts[phone] : NONE;
    }

    /**
     * Learns a voice from phones that were found.
     *
     * @param steps of the way through the words, their moments counted from a first one
     */
    static Voice of(Hearing hearing, List<ForcedPath.Step> steps, int firstMoment) {
        AcousticModel model = hearing.model();
        Sums phones = new Sums(model.phones());
        AcousticModel.Listener listener = hearing.listener();
        float[] feature = new float[CepstralFrontEnd.FEATURES];
        for (ForcedPath.Step step : steps) {
            if (step.unit().kind() != WordGraph.Kind.PHONE) {
                continue;
            }
            int phone = step.unit().phone();
            int length = step.to() - step.from();
            for (int t = step.from(); t < step.to(); t++) {
                hearing.feature(firstMoment + t, feature);
                int state = AcousticModel.STATES * (t - step.from()) / length;
                listener.addDistance(feature, phone, state, phones.sum[phone]);
                phones.moments[phone]++;
            }
        }
        return new Voice(shifts(model, phones));
    }

    /** What was heard of phones or of classes of them. */
    private static final class Sums {
        private final double[][] sum;
        private final double[] moments;

        Sums(int count) {
            sum = new double[count][CepstralFrontEnd.FEATURES];
            moments = new double[count];
        }
    }

    private static float[][] shifts(AcousticModel model, Sums phones) {
        Sums classes = new Sums(2);
        for (int p = 0; p < model.phones(); p++) {
            int c = model.isVowel(p) ? 1 : 0;
            classes.moments[c] += phones.moments[p];
            for (int i = 0; i < CepstralFrontEnd.FEATURES; i++) {
                classes.sum[c][i] += phones.sum[p][i];
            }
        }
        float[][] out = new float[model.phones()][CepstralFrontEnd.FEATURES];
        for (int p = 0; p < model.phones(); p++) {
            int c = model.isVowel(p) ? 1 : 0;
            for (int i = 0; i < CepstralFrontEnd.FEATURES && !model.isFiller(p); i++) {
                double ofClass = classes.sum[c][i] / (classes.moments[c] + CLASS_MOMENTS);
                out[p][i] =
                        (float) ((phones.sum[p][i] + PHONE_MOMENTS * ofClass) / (phones.moments[p] + PHONE_MOMENTS));
            }
        }
        return out;
    }
}
