package chalktrace.app.footage;

import chalktrace.core.picture.Picture;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.shot.Footage;
import chalktrace.media.footage.FrameCache;
import chalktrace.media.footage.Proxy;
import chalktrace.media.footage.Reference;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;

/** One opened file of footage, which several pieces of footage may use. Lives on the FX thread. */
interface OpenSource {

    /** Where a picture is from. */
    enum Origin {
        SOURCE,
        /** Coarser than the source's own, which comes when one rests on it. */
        PROXY,
        NEIGHBOUR
    }

    /** @param why what is to be said of it; empty where all is well */
    record Found(Picture picture, Origin origin, String why) {}

    Reference reference();

    boolean hasProxy();

    /** Reads from a proxy too, from now on. */
    void use(Proxy made, FrameCache cache);

    /** The size at which a use of it is meant to be seen. */
    PictureSize displaySize(Footage clip);

    /**
     * Picture n of a use as far as it is at hand, and asks for what is not.
     *
     * @param atRest whether the artist rests on it, so that the source's own picture is worth its time; without a proxy
     *     it is read at once
     * @param running whether it is one of many in play, which are all from the proxy where there is one
     */
    Optional<Found> find(Footage clip, int n, boolean atRest, boolean running);

    /** Picture n of a use, if it is at hand; asks for nothing. */
    Optional<Picture> atHand(Footage clip, int n, boolean running);

    /**
     * Lets go of its files.
     *
     * @return done when nothing is read any more, from its proxy neither, and its files are closed
     */
    CompletableFuture<Void> end();
}
