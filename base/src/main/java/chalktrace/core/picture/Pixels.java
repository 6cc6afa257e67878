package chalktrace.core.picture;

import java.util.Arrays;

/** A picture's ARGB words, straight (not premultiplied), as an immutable value with real equality. */
public final class Pixels {

    private final PictureSize size;
    private final int[] words;
    private final int hash;

    /** @throws IllegalArgumentException when the words are not width x height */
    public Pixels(PictureSize size, int[] words) {
        if (words.length != size.width() * size.height()) {
            throw new IllegalArgumentException("A picture of " + size + " can't hold " + words.length + " words.");
        }
        this.size = size;
        this.words = words.clone();
        this.hash = 31 * size.hashCode() + Arrays.hashCode(this.words);
    }

    public PictureSize size() {
        return size;
    }

    /** The words row after row, as a copy. */
    public int[] toArray() {
        return words.clone();
    }

    public int at(int x, int y) {
        return words[y * size.width() + x];
    }

    public long bytes() {
        return 32 + 4L * words.length;
    }

    @Override
    public boolean equals(Object other) {
        return this == other
                || other instanceof Pixels pixels
                        && hash == pixels.hash
                        && size.equals(pixels.size)
                        && Arrays.equals(words, pixels.words);
    }

    @Override
    public int hashCode() {
        return hash;
    }
}
