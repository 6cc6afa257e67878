#!/bin/sh
# Makes the small clips that the format tests read, with Debian's ffmpeg (apt-get install ffmpeg). They are kept, so that
# neither building nor testing needs it. Each has 48 pictures of 352x96 that carry their own number as eleven black and
# white blocks, as chalktrace.media.testing.Clips writes them; those with sound click where the picture flashes, at picture 24.
set -eu
cd "$(dirname "$0")"
out=../resources/clips
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
mkdir -p "$out"

python3 - "$work" <<'PY'
import struct, sys
work = sys.argv[1]
W, H, N = 352, 96, 48
def picture(n):
    rows = []
    top = b"".join((b"\xff\xff\xff" if n >> b & 1 else b"\0\0\0") * 32 for b in range(11))
    band = b"\xff\xff\xff" * W if n == 24 else b"\x40\x60\x80" * W
    return top * 64 + band * 32
with open(work + "/numbers.rgb", "wb") as f:
    for n in range(N):
        f.write(picture(n))
rate = 48000
samples = [0] * (rate * 2)
for i in range(48):
    samples[rate + i] = 29000
with open(work + "/click.raw", "wb") as f:
    f.write(struct.pack("<%dh" % len(samples), *samples))
# Flat colours for the tests of colour: red, green, blue, white, grey, black as columns.
cols = [(255, 0, 0), (0, 255, 0), (0, 0, 255), (255, 255, 255), (128, 128, 128), (0, 0, 0)]
with open(work + "/colours.rgb", "wb") as f:
    f.write(b"".join(bytes(c) * 32 for c in cols) * 64 * 4)
PY

ff="ffmpeg -v error -y -nostdin"
pictures="-f rawvideo -pix_fmt rgb24 -s 352x96 -r 24 -i $work/numbers.rgb"
click="-f s16le -ar 48000 -ac 1 -i $work/click.raw"
as709="-vf scale=out_color_matrix=bt709:out_range=tv -colorspace bt709 -color_primaries bt709 -color_trc bt709"

$ff $pictures $click $as709 -c:v libx264 -pix_fmt yuv420p -g 250 -bf 3 -crf 22 -c:a aac -b:a 96k $out/h264-long-group.mp4
$ff $pictures $as709 -c:v libx264 -pix_fmt yuv420p -x264-params open-gop=1:keyint=12:bframes=3 -crf 22 $out/h264-open-group.mkv
$ff $pictures $click $as709 -c:v libx264 -pix_fmt yuv420p -g 24 -bf 2 -crf 22 -c:a aac -b:a 96k $out/h264.ts
$ff $pictures $as709 -c:v libx265 -pix_fmt yuv420p -x265-params log-level=none:keyint=48:bframes=4 -crf 24 -tag:v hvc1 $out/hevc.mp4
$ff $pictures $as709 -c:v libx265 -pix_fmt yuv420p10le -x265-params log-level=none:keyint=48 -crf 24 $out/hevc-10-bit.mkv
$ff $pictures $click $as709 -c:v libvpx-vp9 -pix_fmt yuv420p -g 48 -crf 34 -b:v 0 -c:a libopus -b:a 64k $out/vp9.webm
$ff $pictures $as709 -c:v libaom-av1 -pix_fmt yuv420p -cpu-used 8 -g 48 -crf 40 -b:v 0 $out/av1.mkv
$ff $pictures $click $as709 -c:v prores_ks -profile:v 0 -pix_fmt yuv422p10le -c:a pcm_s16le -t 0.6 $out/prores.mov
$ff $pictures -c:v mjpeg -q:v 6 -pix_fmt yuvj420p $out/mjpeg.avi
$ff $pictures $click -c:v mpeg4 -q:v 6 -bf 2 -c:a pcm_s16le $out/mpeg4.avi
$ff $pictures $click -c:v mpeg2video -q:v 6 -bf 2 -g 12 -c:a mp2 $out/mpeg2.mpg
$ff $pictures -c:v mpeg2video -q:v 6 -bf 2 -g 12 -flags +ilme+ildct -top 1 $out/interlaced.mpg
$ff $pictures -filter_complex "split[a][b];[a]palettegen=max_colors=16[p];[b][p]paletteuse=dither=none" $out/animated.gif
# Variable rate: pictures 0, 1, 2 ... at 0, 1, 3, 6, 10 ... twenty-fourths.
$ff $pictures -vf "setpts=N*(N+1)/2/(24*TB),scale=out_color_matrix=bt709:out_range=tv" -vsync vfr -enc_time_base 1:24 \
    -c:v libx264 -pix_fmt yuv420p -bf 2 -crf 22 $out/variable-rate.mkv
$ff $pictures $as709 -c:v libx264 -pix_fmt yuv420p -crf 22 -bf 2 $work/plain.mp4
# A phone held upright: stored on its side, with a note to turn it.
$ff -i $work/plain.mp4 -c copy -metadata:s:v:0 rotate=90 $out/rotated.mp4
$ff $pictures $as709 -c:v libx264 -pix_fmt yuv420p -crf 22 -aspect 22:3 $out/wide-pixels.mp4
# A cut made without coding anew: starts inside a group, told by an edit list.
$ff $pictures $click $as709 -c:v libx264 -pix_fmt yuv420p -g 48 -bf 2 -crf 22 -c:a aac $work/sound.mp4
$ff -ss 0.5 -i $work/sound.mp4 -c copy $out/edit-list.mp4
$ff $pictures $click $as709 -c:v libx264 -pix_fmt yuv420p -g 48 -bf 2 -crf 22 -c:a aac -output_ts_offset 5 $out/late-start.mkv

colours="-f rawvideo -pix_fmt rgb24 -s 192x64 -r 24 -i $work/colours.rgb"
for matrix in bt709 bt601; do
    space=$matrix
    [ $matrix = bt601 ] && space=smpte170m
    for range in tv pc; do
        $ff $colours -vf scale=out_color_matrix=$matrix:out_range=$range -c:v libx264 -qp 0 -pix_fmt yuv444p \
            -colorspace $space -color_range $range $out/colours-$matrix-$range.mp4
    done
done

one="$ff -f rawvideo -pix_fmt rgb24 -s 352x96 -r 24 -i $work/numbers.rgb -vf select=eq(n\,5) -frames:v 1"
for kind in png bmp tga; do $one $out/five.$kind; done
$one -q:v 2 $out/five.jpg
$one -compression_algo deflate $out/five.tif
$one -c:v libwebp -lossless 1 $out/five.webp
$one -pix_fmt gbrpf32le -compression zip16 $out/five.exr
ls -l $out

# Clips with something wrong in them.
# Starts in the middle of a group: the first key picture is left out.
$ff $pictures $as709 -c:v libx264 -pix_fmt yuv420p -g 16 -bf 0 -sc_threshold 0 -crf 22 -bsf:v "noise=drop=eq(n\\,0)" $out/no-key-at-start.mkv
# Grows to twice its size after 24 pictures.
$ff -t 1 $pictures $as709 -c:v mpeg2video -q:v 6 -bf 0 -g 12 -f mpegts $work/small.ts
$ff $pictures -vf "select=gte(n\\,24),setpts=N/24/TB,scale=704:192:flags=neighbor" -t 1 -c:v mpeg2video -q:v 6 -bf 0 -g 12 -output_ts_offset 1 -f mpegts $work/large.ts
cat $work/small.ts $work/large.ts > $out/size-change.ts
# Time stamps that repeat, go back, and are missing.
$ff $pictures -c:v mjpeg -q:v 6 -pix_fmt yuvj420p -bsf:v "setts=pts=if(eq(mod(N\\,6)\\,3)\\,PREV_OUTPTS\\,if(eq(N\\,20)\\,PREV_OUTPTS-125\\,PTS))" $out/times-repeat.mkv
$ff $pictures $as709 -c:v libx264 -pix_fmt yuv420p -g 24 -bf 2 -crf 22 -f h264 $out/no-times.h264
# The muxer mends times as it writes: in the blocks' heads (times since the cluster's start, in ms) they are made wrong
# again, some as the one before, one behind it.
python3 - $out/times-repeat.mkv <<'PY'
import struct, sys
data = open(sys.argv[1], "rb").read()
block = lambda ms: b"\x81" + struct.pack(">h", ms) + b"\x80"
for written, wrong in [(84, 83), (334, 333), (250, 150)]:
    assert block(written) in data
    data = data.replace(block(written), block(wrong))
open(sys.argv[1], "wb").write(data)
PY
# The muxer calls each of these pictures a key, though only every eighth is one.
$ff -f lavfi -i testsrc2=s=352x288:r=24 -frames:v 24 -c:v h263p -q:v 14 -g 8 $out/false-keys.avi
# Says only in its first packet which encoder wrote it, and says it wrongly: an old one whose pictures are read in another
# way, so that pictures come out otherwise where a decoder has not met that packet.
$ff -f lavfi -i testsrc2=s=352x96:r=24 -frames:v 60 -c:v libx264 -pix_fmt yuv420p -g 20 -bf 3 -x264-params direct=spatial:weightb=0:scenecut=0 -crf 32 $out/old-encoder.mp4
python3 - $out/old-encoder.mp4 <<'PY'
import sys
data = open(sys.argv[1], "rb").read()
assert data.count(b"x264 - core 164") == 1
open(sys.argv[1], "wb").write(data.replace(b"x264 - core 164", b"x264 - core 020"))
PY
# In no container, of a size at which a jump by bytes comes upon a picture from within the one before.
$ff -f lavfi -i testsrc2=s=256x144:r=24 -frames:v 24 -c:v mjpeg -pix_fmt yuvj420p -q:v 16 $out/bare.mjpeg
# Two seconds of sound alone, which tests join with itself.
$ff -f lavfi -i sine=440:d=2:r=44100 -c:a aac -b:a 48k $out/tone.ts
# Pixels of 4:3 that only the container states, a rate that nobody states, and opacity beside the pictures.
$ff $pictures -frames:v 12 -c:v libvpx-vp9 -b:v 0 -crf 34 -aspect 44:9 $out/wide-in-container.webm
$ff $pictures -t 0.2 -c:v prores_ks -profile:v 0 -pix_fmt yuv422p10le -aspect 44:9 $out/wide-in-container.mov
$ff $pictures $as709 -c:v libx264 -pix_fmt yuv420p -crf 32 -flvflags no_metadata+no_duration_filesize $out/no-rate.flv
for codec in vp8:libvpx vp9:libvpx-vp9; do
    $ff -f lavfi -i "color=0x406080:s=96x64:r=24,format=yuva420p,geq=lum='p(X,Y)':cb='cb(X,Y)':cr='cr(X,Y)':a='if(lt(X,48),255,64)'" -frames:v 6 \
        -c:v ${codec#*:} -pix_fmt yuva420p -auto-alt-ref 0 -b:v 1M $out/clear-${codec%:*}.webm
done
# As h264.ts, with times from 100 s on, to be joined with it; and one with open groups that is cut within a group.
$ff $pictures $click $as709 -c:v libx264 -pix_fmt yuv420p -g 24 -bf 2 -crf 22 -c:a aac -b:a 96k -output_ts_offset 100 $out/h264-later.ts
$ff $pictures $as709 -c:v libx264 -pix_fmt yuv420p -x264-params open-gop=1:keyint=12:bframes=3:scenecut=0 -crf 22 $work/open.ts
$ff -ss 0.6 -i $work/open.ts -c copy $out/cut-in-group.ts
# Several keys, to be spoilt between them; pictures of four slices, of which some are leant on by none.
$ff -f lavfi -i testsrc2=s=176x96:r=24 -frames:v 60 -c:v libaom-av1 -cpu-used 8 -crf 44 -b:v 0 -g 20 $out/av1-groups.mkv
$ff -f lavfi -i testsrc2=s=176x96:r=24 -frames:v 60 -c:v libx264 -pix_fmt yuv420p -x264-params slices=4:keyint=20 -crf 32 $out/four-slices.mkv
# Pictures between others, on which none leans, and some that lean on the group before.
for codec in mpeg2video mpeg4; do
    $ff -f lavfi -i testsrc2=s=160x90:r=24 -frames:v 60 -c:v $codec -g 20 -bf 2 -q:v 8 $out/between-$codec.mkv
done
# Parts of the picture change, with holes that show what was before; once as GIF and once, by Debian's gif2webp (apt-get install webp), as WebP.
$ff -f lavfi -i testsrc2=s=120x72:r=20:d=0.8 -filter_complex "[0]crop=72:48:'12+n':6,format=rgba,pad=120:72:24:12:color=black@0,split[a][b];[a]palettegen=reserve_transparent=1:max_colors=16[p];[b][p]paletteuse=alpha_threshold=128:dither=none" $out/parts.gif
gif2webp -quiet $out/parts.gif -o $out/parts.webp
