package chalktrace.media.footage;

import chalktrace.core.picture.PictureSource;
import chalktrace.core.picture.PictureUnavailableException;
import chalktrace.media.Progress;
import chalktrace.media.codec.IntraPacker;
import java.io.IOException;

/** Makes proxies, in one pass through the source. */
public final class ProxyMaker {

    private ProxyMaker() {}

    /**
     * Makes what a proxy still lacks.
     *
     * @param source read from its first picture on; best opened for this alone, so that nobody else moves it about
     * @param progress told after each picture; when it says no the proxy is left as far as it is
     * @throws IOException when the proxy can't be written, such as on a full disk
     */
    public static void make(PictureSource source, Proxy proxy, Progress progress) throws IOException {
        int count = source.times().count();
        try (IntraPacker packer = new IntraPacker(Proxy.LARGEST)) {
            for (int n = 0; n < count; n++) {
                if (proxy.lacks(n)) {
                    try {
                        proxy.add(n, packer.pack(source.picture(n)));
                    } catch (PictureUnavailableException e) {
                        proxy.addMissing(n);
                    }
                    if (!progress.at(n + 1, count)) {
                        return;
                    }
                }
            }
        }
    }
}
