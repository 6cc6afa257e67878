package chalktrace.core.stroke;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The samples of a line without those that lie where the one before lies. A pen that rests presses once: as hard as it did while it rested.
 *
 * @param places at least one
 * @param corners the numbers of the places that are corners, in rising order, without the ends
 */
record DistinctPlaces(List<PenSample> places, int[] corners) {

    private static final double SAME_PX = 1e-6;

    /** @param samples at least one, @param corners numbers of samples, in rising order */
    static DistinctPlaces of(List<PenSample> samples, int[] corners) {
        List<PenSample> places = new ArrayList<>();
        int[] found = new int[corners.length];
        int count = 0;
        int next = 0;
        for (int i = 0; i < samples.size(); i++) {
            PenSample sample = samples.get(i);
            PenSample last = places.isEmpty() ? sample : places.get(places.size() - 1);
            if (places.isEmpty() || Math.hypot(sample.x() - last.x(), sample.y() - last.y()) > SAME_PX) {
                places.add(sample);
            } else if (sample.pressure() > last.pressure()) {
                places.set(places.size() - 1, new PenSample(last.x(), last.y(), sample.pressure(), last.seconds()));
            }
            if (next < corners.length && corners[next] == i) {
                found[count++] = places.size() - 1;
                next++;
            }
        }
        int last = places.size() - 1;
        int[] inner = Arrays.stream(found, 0, count)
                .filter(corner -> corner > 0 && corner < last)
                .distinct()
                .toArray();
        return new DistinctPlaces(places, inner);
    }
}
