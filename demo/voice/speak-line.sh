#!/bin/sh
# Speaks the demo line once and writes the recording and its true times. Needs Debian's packages festival,
# festvox-us-slt-hts and sox; neither the build nor the program needs them, as what this writes is kept.
set -eu
cd "$(dirname "$0")"
out=../src/main/resources/chalktrace/demo
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
cat > "$work/speak.scm" <<SCM
(voice_cmu_us_slt_arctic_hts)
(set! line (Utterance Text "Careful now. It's hotter than it looks."))
(utt.synth line)
(utt.save.wave line "$work/line.wav" 'riff)
(set! table (fopen "$work/line.csv" "w"))
(format table "word,startSeconds,endSeconds\n")
(mapcar
 (lambda (word)
   (format table "%s,%f,%f\n" (item.name word) (item.feat word "word_start") (item.feat word "word_end")))
 (utt.relation.items line 'Word))
(fclose table)
(set! table (fopen "$work/phones.csv" "w"))
(format table "phone,startSeconds,endSeconds\n")
(mapcar
 (lambda (segment)
   (format table "%s,%f,%f\n" (item.name segment) (item.feat segment "segment_start") (item.feat segment "segment_end")))
 (utt.relation.items line 'Segment))
(fclose table)
SCM
festival -b "$work/speak.scm"
# The synthesiser gives 16 kHz; levels are evened out, nothing is cut, so that the times stay true.
sox "$work/line.wav" -b 16 "$out/line.wav" gain -n -3 rate -v 48k
cp "$work/line.csv" "$out/line-words.csv"
cp "$work/phones.csv" "$out/line-phones.csv"
