package chalktrace.media.footage;

import chalktrace.media.UnreadableException;
import java.nio.file.Path;
import java.util.Collection;
import java.util.List;

/** Whatever FFmpeg can read pictures from. */
final class VideoKind implements FootageKind {

    @Override
    public boolean accepts(Path file) {
        return true;
    }

    @Override
    public Collection<Path> files(Path file) {
        return List.of(file);
    }

    @Override
    public Reference open(Path file) throws UnreadableException {
        return VideoClip.open(file);
    }

    @Override
    public String cacheKey(Path file) {
        return ContentMark.of(file)
                .map(mark -> mark.digest() + "-" + mark.bytes())
                .orElse("unknown");
    }

    @Override
    public boolean mayHaveSound() {
        return true;
    }
}
