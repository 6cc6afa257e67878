#!/bin/sh
# Speaks lines of 10 to 60 words with several synthetic voices and writes each as a WAV file with the true times of its words
# and phones beside it. Needs Debian's packages festival, festvox-kallpc16k, festvox-kdlpc16k, festvox-us-slt-hts and sox;
# nothing of it is part of the program. Usage: speak-lines.sh FOLDER
set -eu
out=${1:?"say where to write to"}
mkdir -p "$out"
speak() { # name voice text
    cat > "$out/$1.scm" <<SCM
($2)
(set! line (Utterance Text "$3"))
(utt.synth line)
(utt.save.wave line "$out/$1-16k.wav" 'riff)
(define (table relation kind)
  (set! rows (fopen (string-append "$out/$1-" kind ".csv") "w"))
  (mapcar
   (lambda (item)
     (format rows "%s,%f,%f\n" (item.name item)
       (item.feat item (string-append relation "_start")) (item.feat item (string-append relation "_end"))))
   (utt.relation.items line (if (string-equal relation "word") 'Word 'Segment)))
  (fclose rows))
(table "word" "words")
(table "segment" "phones")
SCM
    festival -b "$out/$1.scm"
    printf '%s\n' "$3" > "$out/$1.txt"
    # At another rate, as recordings come; levels are evened out, nothing is cut.
    sox "$out/$1-16k.wav" -b 16 "$out/$1.wav" gain -n -3 rate -v 48k
    # The same with pink noise 20 dB below the speech.
    seconds=$(soxi -D "$out/$1.wav")
    level=$(sox "$out/$1.wav" -n stat 2>&1 | awk '/RMS.*amplitude/ { print $3 / 10 }')
    sox -R -n -r 48k -b 16 "$out/$1-pink.wav" synth "$seconds" pinknoise
    pink=$(sox "$out/$1-pink.wav" -n stat 2>&1 | awk '/RMS.*amplitude/ { print $3 }')
    sox -m -v 0.9 "$out/$1.wav" -v "$(awk "BEGIN { print 0.9 * $level / $pink }")" "$out/$1-pink.wav" -b 16 "$out/$1-noise.wav"
    rm "$out/$1-16k.wav" "$out/$1-pink.wav" "$out/$1.scm"
}
n=0
while IFS= read -r text; do
    n=$((n + 1))
    speak "line$n-slt" voice_cmu_us_slt_arctic_hts "$text"
    speak "line$n-kal" voice_kal_diphone "$text"
    speak "line$n-ked" voice_ked_diphone "$text"
done <<'LINES'
Careful now. It is hotter than it looks, and the cup is older than you.
The kettle came back to the pier before the morning boat. Nobody asked who had carried it. She poured the tea without a word.
Put the box under the bench, please. Move it a bit further. My map of the bay must be somewhere above the mirror, or maybe below the lamp.
When the fog lifts we can see five boats and a very long bridge. The ferry moves slowly past the buoys, and every few minutes a bell rings from the far side of the harbour. I could watch it for hours, but my brother thinks the view is boring and wants to leave before lunch.
LINES
