package chalktrace.media.codec;

import chalktrace.core.picture.PictureSize;
import chalktrace.media.UnreadableException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOInterruptCB;
import org.bytedeco.ffmpeg.avformat.AVIndexEntry;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.bytedeco.ffmpeg.global.avcodec;
import org.bytedeco.ffmpeg.global.avformat;
import org.bytedeco.ffmpeg.global.avutil;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.Pointer;
import org.bytedeco.javacpp.PointerPointer;

/** An opened media file: its container and its streams. Lives on one thread at a time; must be closed. */
final class MediaInput implements AutoCloseable {

    private static final int HEAD_BYTES = 16;

    /** The containers that footage and sound come in; none of them names other files to be read. */
    private static final String FORMATS = String.join(
            ",",
            "mov,mp4,m4a,3gp,3g2,mj2",
            "matroska,webm",
            "avi,mpegts,mpeg,mpegvideo,mxf,flv,asf,ogg,nut,ivf,gif,apng,dv,rm,gxf,yuv4mpegpipe",
            "wav,w64,aiff,au,caf,flac,mp3,aac,ac3,eac3,dts,amr,ape,wv,tta,opus,loas,latm",
            "h264,hevc,m4v,mjpeg,mjpeg_2000,av1,obu,vc1,cavsvideo,h263,dnxhd,vvc",
            "image2,png_pipe,jpeg_pipe,tiff_pipe,bmp_pipe,webp_pipe,exr_pipe,gif_pipe,dpx_pipe,jpegls_pipe,j2k_pipe",
            "psd_pipe,qoi_pipe,sgi_pipe,pam_pipe,ppm_pipe,pgm_pipe,pbm_pipe,pcx_pipe,hdr_pipe,tga_pipe,jpegxl_pipe,webp,tga");

    /** What a file may take to tell what it is; the slowest of good files take a tenth of it. */
    private static final long PROBING_SECONDS = 20;

    /** When probing on this thread must end, on the clock of {@link System#nanoTime}; null while nothing is probed. */
    private static final ThreadLocal<Long> DEADLINE = new ThreadLocal<>();

    /** One for all and kept for good: native code holds its address. Files are probed on the thread that opens them. */
    private static final AVIOInterruptCB.Callback_Pointer IS_TOO_LATE = new AVIOInterruptCB.Callback_Pointer() {
        @Override
        public int call(Pointer unused) {
            Long deadline = DEADLINE.get();
            return deadline != null && System.nanoTime() - deadline > 0 ? 1 : 0;
        }
    };

    private final Path file;
    private final boolean wholeTracks;
    private AVFormatContext context;

    /** By stream, what the container says of its colours: later the codec's own word takes its place, also where that says nothing. */
    private final List<StatedColour> stated = new ArrayList<>();

    private MediaInput(Path file, boolean wholeTracks, AVFormatContext context) {
        for (int s = 0; s < context.nb_streams(); s++) {
            stated.add(StatedColour.of(context.streams(s).codecpar()));
        }
        this.file = file;
        this.wholeTracks = wholeTracks;
        this.context = context;
    }

    /** @throws UnreadableException when the file is missing, empty, or not media that the codecs know */
    static MediaInput open(Path file) throws UnreadableException {
        return open(file, PROBING_SECONDS);
    }

    /** As {@link #open(Path)}, with the tracks as they are stored, whatever the file's own list of edits leaves out. */
    static MediaInput openWholeTracks(Path file) throws UnreadableException {
        return open(file, true, PROBING_SECONDS);
    }

    /** Opens the file once more, in the same way. */
    MediaInput again() throws UnreadableException {
        return open(file, wholeTracks, PROBING_SECONDS);
    }

    /** As {@link #open(Path)}. @param probingSeconds after which a file that still has not told what it is is refused */
    static MediaInput open(Path file, long probingSeconds) throws UnreadableException {
        return open(file, false, probingSeconds);
    }

    private static MediaInput open(Path file, boolean wholeTracks, long probingSeconds) throws UnreadableException {
        requireReadable(file);
        Natives.load();
        DEADLINE.set(System.nanoTime() + TimeUnit.SECONDS.toNanos(probingSeconds));
        try {
            return probe(file, wholeTracks);
        } finally {
            DEADLINE.remove();
        }
    }

    private static MediaInput probe(Path file, boolean wholeTracks) throws UnreadableException {
        AVFormatContext context = avformat.avformat_alloc_context();
        context.interrupt_callback().callback(IS_TOO_LATE);
        // With the protocol named, no file name can be taken for an address, and no file can refer to one.
        try (BytePointer name = new BytePointer("file:" + file.toAbsolutePath(), StandardCharsets.UTF_8);
                AVDictionary options = new AVDictionary(null)) {
            avutil.av_dict_set(options, "protocol_whitelist", "file", 0);
            avutil.av_dict_set(options, "format_whitelist", FORMATS, 0);
            if (wholeTracks) {
                avutil.av_dict_set(options, "ignore_editlist", "1", 0);
            }
            int opened = avformat.avformat_open_input(context, name, null, options);
            avutil.av_dict_free(options);
            if (opened < 0) {
                throw notMedia(file, opened);
            }
        }
        MediaInput input = new MediaInput(file, wholeTracks, context);
        try {
            int found = avformat.avformat_find_stream_info(context, (PointerPointer<?>) null);
            if (found < 0) {
                throw notMedia(file, found);
            }
            input.requireWhole();
        } catch (UnreadableException e) {
            input.close();
            throw e;
        }
        return input;
    }

    AVFormatContext context() {
        return context;
    }

    Path file() {
        return file;
    }

    AVStream stream(int index) {
        return context.streams(index);
    }

    /** What the container says of a stream's colours. */
    StatedColour statedColour(int stream) {
        return stream < stated.size() ? stated.get(stream) : StatedColour.NOTHING;
    }

    /** Whether the file holds one picture, and no stream of them. */
    boolean isPicture() {
        String name = context.iformat().name().getString();
        return name.endsWith("_pipe") || name.equals("image2");
    }

    /** The index of the best stream of pictures, cover art left out; negative when there is none. */
    int videoStream() {
        int best = avformat.av_find_best_stream(context, avutil.AVMEDIA_TYPE_VIDEO, -1, -1, (AVCodec) null, 0);
        if (best >= 0 && (stream(best).disposition() & avformat.AV_DISPOSITION_ATTACHED_PIC) != 0) {
            return -1;
        }
        return best;
    }

    /** The index of the best stream of sound; negative when there is none. */
    int soundStream() {
        return avformat.av_find_best_stream(context, avutil.AVMEDIA_TYPE_AUDIO, -1, -1, (AVCodec) null, 0);
    }

    /** An opened decoder of a stream, to be freed by the caller. */
    AVCodecContext decoder(int stream, int threads) throws UnreadableException {
        AVCodec codec = codec(stream);
        if (codec == null || codec.isNull()) {
            try (BytePointer name =
                    avcodec.avcodec_get_name(stream(stream).codecpar().codec_id())) {
                throw UnreadableException.of(
                        file,
                        "is coded as " + name.getString() + ", which this program can't decode",
                        "Save it in another format, such as H.264 or ProRes.");
            }
        }
        int width = stream(stream).codecpar().width();
        int height = stream(stream).codecpar().height();
        if ((long) width * height > PictureSize.MOST_PIXELS) {
            throw StreamFacts.tooLarge(file, width, height);
        }
        AVCodecContext decoder = avcodec.avcodec_alloc_context3(codec);
        avcodec.avcodec_parameters_to_context(decoder, stream(stream).codecpar());
        decoder.thread_count(threads);
        // Check sums that a format carries are checked: a wrong picture must not pass for a right one.
        decoder.err_recognition(avcodec.AV_EF_CRCCHECK);
        decoder.pkt_timebase(stream(stream).time_base());
        decoder.max_pixels(PictureSize.MOST_PIXELS);
        int opened = avcodec.avcodec_open2(decoder, codec, (AVDictionary) null);
        if (opened < 0) {
            avcodec.avcodec_free_context(decoder);
            throw UnreadableException.of(
                    file,
                    "can't be decoded (" + Natives.words(opened) + ")",
                    "Save it again in another format, such as H.264 or ProRes.");
        }
        return decoder;
    }

    /** The usual decoders of VP8 and VP9 leave out the opacity that stands beside the pictures, and say nothing. */
    private AVCodec codec(int stream) {
        int id = stream(stream).codecpar().codec_id();
        String byName = id == avcodec.AV_CODEC_ID_VP9 ? "libvpx-vp9" : id == avcodec.AV_CODEC_ID_VP8 ? "libvpx" : null;
        if (byName != null && "1".equals(tag(stream, "alpha_mode"))) {
            AVCodec found = avcodec.avcodec_find_decoder_by_name(byName);
            if (found != null && !found.isNull()) {
                return found;
            }
        }
        return avcodec.avcodec_find_decoder(id);
    }

    private String tag(int stream, String key) {
        AVDictionaryEntry entry = avutil.av_dict_get(stream(stream).metadata(), key, null, 0);
        return entry == null || entry.isNull() ? "" : entry.value().getString();
    }

    @Override
    public void close() {
        if (context != null) {
            avformat.avformat_close_input(context);
            context = null;
        }
    }

    /** A container with a table of its packets tells whether the file reaches as far as the table says. */
    private void requireWhole() throws UnreadableException {
        long size = sizeOf(file);
        for (int s = 0; s < context.nb_streams(); s++) {
            int entries = avformat.avformat_index_get_entries_count(stream(s));
            if (!isIsoContainer() || entries == 0) {
                continue;
            }
            int whole = 0;
            for (int i = 0; i < entries; i++) {
                AVIndexEntry entry = avformat.avformat_index_get_entry(stream(s), i);
                if (entry.pos() + entry.size() <= size) {
                    whole++;
                }
            }
            if (whole < entries) {
                throw UnreadableException.of(
                        file,
                        "is cut short: of " + entries + " pieces that its table lists, " + whole + " are there",
                        "Copy or download it again from where it came.");
            }
        }
    }

    /** Whether it is an MP4 or one of its kin, with a table of all that is in it. */
    boolean isIsoContainer() {
        return context.iformat().name().getString().contains("mp4");
    }

    /** Whether its stream stands in no container: without times, and without a table to jump by. */
    boolean isBare() {
        String name = context.iformat().name().getString();
        return (context.iformat().flags() & avformat.AVFMT_NOTIMESTAMPS) != 0
                || name.equals("mjpeg")
                || name.endsWith("_pipe");
    }

    private static void requireReadable(Path file) throws UnreadableException {
        if (!Files.exists(file)) {
            throw UnreadableException.of(
                    file, "is not there (" + file.toAbsolutePath() + ")", "Was it moved or renamed?");
        }
        if (Files.isDirectory(file)) {
            throw UnreadableException.of(file, "is a folder", "Choose a file, or a folder of numbered pictures.");
        }
        if (!Files.isRegularFile(file)) {
            throw UnreadableException.of(file, "is a pipe or a device and no file", "Choose a file.");
        }
        if (!Files.isReadable(file)) {
            throw UnreadableException.of(file, "may not be read by this user", "Change its permissions.");
        }
        if (sizeOf(file) == 0) {
            throw UnreadableException.of(file, "is empty (0 bytes)", "Copy or download it again from where it came.");
        }
    }

    private static UnreadableException notMedia(Path file, int code) {
        if (code == avutil.AVERROR_EXIT()) {
            return UnreadableException.of(
                    file,
                    "takes too long to tell what it is",
                    "It may be damaged, or its disk too slow: copy it to this machine's own disk.");
        }
        String what = isContainerWithoutTable(file)
                ? "is cut short: the table of its contents, which its kind of file keeps at the end, is missing"
                : looksLikeText(file)
                        ? "holds text and not a picture or sound, whatever its name says"
                        : "is not media that this program knows, or is damaged (" + Natives.words(code) + ")";
        return UnreadableException.of(file, what, "Copy it again from where it came, or save it in another format.");
    }

    /** An ISO base media file (MP4, MOV) whose boxes end before a "moov" box. */
    private static boolean isContainerWithoutTable(Path file) {
        try (FileChannel channel = FileChannel.open(file)) {
            ByteBuffer head = ByteBuffer.allocate(HEAD_BYTES).order(ByteOrder.BIG_ENDIAN);
            long at = 0;
            boolean isIso = false;
            while (at + 8 <= channel.size()) {
                head.clear();
                channel.read(head, at);
                long size = head.getInt(0) & 0xFFFFFFFFL;
                String type = new String(head.array(), 4, 4, StandardCharsets.ISO_8859_1);
                isIso |= type.equals("ftyp");
                if (type.equals("moov")) {
                    return at + size > channel.size();
                }
                size = size == 1 ? head.getLong(8) : size;
                if (size < 8) {
                    break;
                }
                at += size;
            }
            return isIso;
        } catch (IOException e) {
            return false;
        }
    }

    private static boolean looksLikeText(Path file) {
        try (FileChannel channel = FileChannel.open(file)) {
            ByteBuffer start = ByteBuffer.allocate(512);
            channel.read(start);
            for (int i = 0; i < start.position(); i++) {
                int b = start.get(i) & 255;
                if (b < 32 && b != '\n' && b != '\r' && b != '\t') {
                    return false;
                }
            }
            return true;
        } catch (IOException e) {
            return false;
        }
    }

    private static long sizeOf(Path file) throws UnreadableException {
        try {
            return Files.size(file);
        } catch (IOException e) {
            throw UnreadableException.of(file, "can't be read (" + e.getMessage() + ")", "Is its disk still there?", e);
        }
    }
}
