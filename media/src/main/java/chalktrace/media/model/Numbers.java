package chalktrace.media.model;

import java.util.Arrays;

/** Numbers that grow in count. */
final class Numbers {

    private float[] values = new float[1024];
    private int count;

    void add(double... more) {
        grow(more.length);
        for (double value : more) {
            values[count++] = (float) value;
        }
    }

    /** Some of another's. @param width how many belong together, @param index which of these */
    void addPart(Numbers from, int width, int index) {
        grow(width);
        System.arraycopy(from.values, width * index, values, count, width);
        count += width;
    }

    private void grow(int by) {
        if (count + by > values.length) {
            values = Arrays.copyOf(values, values.length * 2);
        }
    }

    float at(int index) {
        return values[index];
    }

    int count() {
        return count;
    }

    float[] all() {
        return Arrays.copyOf(values, count);
    }
}
