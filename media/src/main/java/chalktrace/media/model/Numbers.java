package chalktrace.media.model;

import java.util.Arrays;

/** Numbers that grow in count. */
final class Numbers {

    private float[] values = new float[1024];
    private int count;

    void add(double... more) {
        if (count + more.length > values.length) {
            values = Arrays.copyOf(values, values.length * 2);
        }
        for (double value : more) {
            values[count++] = (float) value;
        }
    }

    float[] all() {
        return Arrays.copyOf(values, count);
    }
}
