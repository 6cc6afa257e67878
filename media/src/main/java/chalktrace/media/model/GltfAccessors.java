package chalktrace.media.model;

import chalktrace.media.UnreadableException;
import de.javagl.jgltf.impl.v2.Accessor;
import de.javagl.jgltf.impl.v2.AccessorSparse;
import de.javagl.jgltf.impl.v2.BufferView;
import de.javagl.jgltf.impl.v2.GlTF;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import java.util.Map;

/** The numbers of a glTF file, each range checked before it is read: glTF 2.0, 3.6. */
final class GltfAccessors {

    private static final Map<String, Integer> WIDTHS =
            Map.of("SCALAR", 1, "VEC2", 2, "VEC3", 3, "VEC4", 4, "MAT2", 4, "MAT3", 9, "MAT4", 16);

    private static final int BYTE = 5120;
    private static final int UNSIGNED_BYTE = 5121;
    private static final int SHORT = 5122;
    private static final int UNSIGNED_SHORT = 5123;
    private static final int UNSIGNED_INT = 5125;
    private static final int FLOAT = 5126;

    /** Four numbers of a million vertices, with room to spare. */
    private static final long MOST_NUMBERS = 50_000_000;

    private final GlTF gltf;
    private final ModelFolder folder;
    private final List<ByteBuffer> buffers;

    GltfAccessors(GlTF gltf, ModelFolder folder, List<ByteBuffer> buffers) {
        this.gltf = gltf;
        this.folder = folder;
        this.buffers = buffers;
    }

    /** How many numbers an element has. */
    int width(int accessor) throws UnreadableException {
        Integer width = WIDTHS.get(accessor(accessor).getType());
        if (width == null) {
            throw folder.broken("accessor " + accessor + " is of no known type");
        }
        return width;
    }

    /** All numbers of an accessor, whole numbers as they are unless they are normalised, checked to be finite. */
    float[] floats(int index, String use, int width) throws UnreadableException {
        if (width(index) != width) {
            throw folder.broken(
                    use + " (accessor " + index + ") has " + width(index) + " numbers each and not " + width);
        }
        double[] read = numbers(index);
        float[] out = new float[read.length];
        for (int i = 0; i < read.length; i++) {
            out[i] = (float) read[i];
            if (!Float.isFinite(out[i])) {
                throw folder.broken(use + " (accessor " + index + ") has a number that is not finite, at " + i / width);
            }
        }
        return out;
    }

    /** Whole numbers, such as indices. */
    int[] wholes(int index, String use, int width) throws UnreadableException {
        if (width(index) != width || accessor(index).getComponentType() == FLOAT) {
            throw folder.broken(use + " (accessor " + index + ") is not made of " + width + " whole numbers each");
        }
        double[] read = numbers(index);
        int[] out = new int[read.length];
        for (int i = 0; i < read.length; i++) {
            out[i] = (int) Math.min(Integer.MAX_VALUE, read[i]);
        }
        return out;
    }

    int count(int index) throws UnreadableException {
        Integer count = accessor(index).getCount();
        if (count == null || count < 0) {
            throw folder.broken("accessor " + index + " has no count");
        }
        return count;
    }

    private double[] numbers(int index) throws UnreadableException {
        Accessor accessor = accessor(index);
        int width = width(index);
        long total = (long) count(index) * width;
        if (total > MOST_NUMBERS) {
            throw folder.wrong("has " + count(index) + " elements in one part (accessor " + index + ")", "Reduce it.");
        }
        double[] out = new double[(int) total];
        boolean normalised = Boolean.TRUE.equals(accessor.isNormalized());
        if (accessor.getBufferView() != null) {
            read(
                    "accessor " + index,
                    accessor.getBufferView(),
                    or0(accessor.getByteOffset()),
                    type(accessor.getComponentType(), index),
                    width,
                    normalised,
                    out);
        }
        if (accessor.getSparse() != null) {
            exchange(index, accessor, width, normalised, out);
        }
        return out;
    }

    /** Sparse storage: some elements are others. */
    private void exchange(int index, Accessor accessor, int width, boolean normalised, double[] out)
            throws UnreadableException {
        AccessorSparse sparse = accessor.getSparse();
        String what = "the sparse part of accessor " + index;
        if (sparse.getCount() == null
                || sparse.getIndices() == null
                || sparse.getValues() == null
                || sparse.getCount() < 0
                || sparse.getCount() > out.length / width) {
            throw folder.broken(what + " is not whole");
        }
        double[] at = new double[sparse.getCount()];
        read(
                what,
                view(sparse.getIndices().getBufferView(), what),
                or0(sparse.getIndices().getByteOffset()),
                type(sparse.getIndices().getComponentType(), index),
                1,
                false,
                at);
        double[] values = new double[sparse.getCount() * width];
        read(
                what,
                view(sparse.getValues().getBufferView(), what),
                or0(sparse.getValues().getByteOffset()),
                type(accessor.getComponentType(), index),
                width,
                normalised,
                values);
        for (int i = 0; i < at.length; i++) {
            if (at[i] >= out.length / width) {
                throw folder.broken(what + " names element " + (long) at[i] + " of " + out.length / width);
            }
            System.arraycopy(values, i * width, out, (int) at[i] * width, width);
        }
    }

    private void read(String what, int viewIndex, long offset, int type, int width, boolean normalised, double[] out)
            throws UnreadableException {
        ByteBuffer bytes = view(viewIndex);
        BufferView view = gltf.getBufferViews().get(viewIndex);
        int size = size(type);
        int stride = view.getByteStride() == null ? size * width : view.getByteStride();
        int elements = out.length / width;
        long end = elements == 0 ? 0 : offset + (long) stride * (elements - 1) + (long) size * width;
        if (offset < 0 || stride < size * width || end > bytes.capacity()) {
            throw folder.broken(what + " reaches beyond its buffer (" + end + " of " + bytes.capacity() + " bytes)");
        }
        for (int i = 0; i < elements; i++) {
            for (int k = 0; k < width; k++) {
                out[i * width + k] =
                        number(bytes, (int) (offset + (long) stride * i + (long) size * k), type, normalised);
            }
        }
    }

    /** The bytes of a buffer view. */
    ByteBuffer view(int index) throws UnreadableException {
        List<BufferView> views = gltf.getBufferViews();
        if (views == null || index < 0 || index >= views.size()) {
            throw folder.broken("it names buffer view " + index + ", which it does not have");
        }
        BufferView view = views.get(index);
        int buffer = view.getBuffer() == null ? -1 : view.getBuffer();
        if (buffer < 0 || buffer >= buffers.size()) {
            throw folder.broken("buffer view " + index + " names buffer " + buffer + ", which it does not have");
        }
        long start = or0(view.getByteOffset());
        long length = or0(view.getByteLength());
        if (start < 0 || length < 0 || start + length > buffers.get(buffer).capacity()) {
            throw folder.broken("buffer view " + index + " reaches beyond its buffer (" + (start + length) + " of "
                    + buffers.get(buffer).capacity() + " bytes)");
        }
        return buffers.get(buffer).slice((int) start, (int) length).order(ByteOrder.LITTLE_ENDIAN);
    }

    private int view(Integer index, String what) throws UnreadableException {
        if (index == null) {
            throw folder.broken(what + " names no buffer view");
        }
        return index;
    }

    private Accessor accessor(int index) throws UnreadableException {
        List<Accessor> all = gltf.getAccessors();
        if (all == null || index < 0 || index >= all.size()) {
            throw folder.broken("it names accessor " + index + ", which it does not have");
        }
        return all.get(index);
    }

    private int type(Integer type, int index) throws UnreadableException {
        if (type == null || size(type) == 0) {
            throw folder.broken("accessor " + index + " has no known kind of number");
        }
        return type;
    }

    private static int size(int type) {
        return switch (type) {
            case BYTE, UNSIGNED_BYTE -> 1;
            case SHORT, UNSIGNED_SHORT -> 2;
            case UNSIGNED_INT, FLOAT -> 4;
            default -> 0;
        };
    }

    private static double number(ByteBuffer bytes, int at, int type, boolean normalised) {
        return switch (type) {
            case BYTE -> normalised ? Math.max(-1, bytes.get(at) / 127.0) : bytes.get(at);
            case UNSIGNED_BYTE -> (bytes.get(at) & 255) / (normalised ? 255.0 : 1);
            case SHORT -> normalised ? Math.max(-1, bytes.getShort(at) / 32767.0) : bytes.getShort(at);
            case UNSIGNED_SHORT -> (bytes.getShort(at) & 65535) / (normalised ? 65535.0 : 1);
            case UNSIGNED_INT -> bytes.getInt(at) & 0xFFFFFFFFL;
            default -> bytes.getFloat(at);
        };
    }

    private static long or0(Integer value) {
        return value == null ? 0 : value;
    }
}
