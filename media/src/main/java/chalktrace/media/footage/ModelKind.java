package chalktrace.media.footage;

import chalktrace.media.UnreadableException;
import chalktrace.media.model.ModelFiles;
import java.nio.file.Path;
import java.util.Collection;

/** A model in space. */
final class ModelKind implements FootageKind {

    @Override
    public boolean accepts(Path file) {
        return ModelFiles.accepts(file);
    }

    @Override
    public Collection<Path> files(Path file) throws UnreadableException {
        return ModelFiles.files(file);
    }

    @Override
    public Reference open(Path file) throws UnreadableException {
        return ModelReference.open(file);
    }
}
