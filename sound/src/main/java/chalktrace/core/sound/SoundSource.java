package chalktrace.core.sound;

import chalktrace.core.shot.SoundClip;
import java.util.Optional;

/** Where the samples of a shot's sounds come from: the port through which the core reads sound. */
@FunctionalInterface
public interface SoundSource {

    /** The clip's sound at {@link ShotMix#SAMPLE_RATE}; empty while it is not read yet or can't be read. */
    Optional<PcmBuffer> of(SoundClip clip);
}
