package chalktrace.media.codec;

import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.global.avcodec;

/**
 * A decoder that can be cleared of all that it has met. That of AV1 keeps, after an error, something that a flush does not take away, and shows
 * sound pictures broken: a new one takes its place then. Lives on one thread at a time; must be closed.
 */
final class StreamDecoder implements AutoCloseable {

    private final boolean keepsErrors;
    private AVCodecContext context;
    private long heard = Natives.allErrors();

    /** @param context opened; it is freed with this */
    StreamDecoder(AVCodecContext context) {
        this.context = context;
        this.keepsErrors = context.codec_id() == avcodec.AV_CODEC_ID_AV1;
    }

    /** What packets are sent to and pictures come from, until it is cleared. */
    AVCodecContext context() {
        return context;
    }

    /** Whether it has met damage after which all that comes may be wrong until it is cleared. */
    boolean isSpoilt() {
        return keepsErrors && Natives.allErrors() != heard;
    }

    void clear() {
        if (!isSpoilt()) {
            avcodec.avcodec_flush_buffers(context);
            return;
        }
        AVCodecParameters parameters = avcodec.avcodec_parameters_alloc();
        avcodec.avcodec_parameters_from_context(parameters, context);
        AVCodecContext fresh = avcodec.avcodec_alloc_context3(context.codec());
        avcodec.avcodec_parameters_to_context(fresh, parameters);
        avcodec.avcodec_parameters_free(parameters);
        fresh.thread_count(context.thread_count());
        fresh.err_recognition(context.err_recognition());
        fresh.pkt_timebase(context.pkt_timebase());
        fresh.max_pixels(context.max_pixels());
        if (avcodec.avcodec_open2(fresh, context.codec(), (AVDictionary) null) < 0) {
            avcodec.avcodec_free_context(fresh);
            avcodec.avcodec_flush_buffers(context);
        } else {
            avcodec.avcodec_free_context(context);
            context = fresh;
        }
        heard = Natives.allErrors();
    }

    @Override
    public void close() {
        avcodec.avcodec_free_context(context);
    }
}
