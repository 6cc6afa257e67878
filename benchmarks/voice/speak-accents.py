#!/usr/bin/env python3
"""Speaks lines with English accents of Debian's espeak-ng and writes each as a WAV file with the true times of its words and
phones beside it, for AlignmentQuality; nothing of it is part of the program. The first forty sentences are of the "Harvard" lists
(IEEE Recommended Practice for Speech Quality Measurements, 1969), from memory. Two words that the synthesiser says as one
("of the") have no time for the second. Needs Debian's espeak-ng. Usage: speak-accents.py FOLDER [SEED]"""
import ctypes, os, random, struct, sys, wave

VOICES = ["en-us", "en-gb", "en-gb-scotland", "en-gb-x-gbclan", "en-gb-x-gbcwmd", "en-029", "en-us-nyc", "en-gb-x-rp"]
LINES = """The birch canoe slid on the smooth planks.
Glue the sheet to the dark blue background.
It's easy to tell the depth of a well.
These days a chicken leg is a rare dish.
Rice is often served in round bowls.
The juice of lemons makes fine punch.
The box was thrown beside the parked truck.
The hogs were fed chopped corn and garbage.
Four hours of steady work faced us.
A large size in stockings is hard to sell.
The boy was there when the sun rose.
A rod is used to catch pink salmon.
The source of the huge river is the clear spring.
Kick the ball straight and follow through.
Help the woman get back to her feet.
A pot of tea helps to pass the evening.
Smoky fires lack flame and heat.
The soft cushion broke the man's fall.
The salt breeze came across from the sea.
The girl at the booth sold fifty bonds.
The small pup gnawed a hole in the sock.
The fish twisted and turned on the bent hook.
Press the pants and sew a button on the vest.
The swan dive was far short of perfect.
The beauty of the view stunned the young boy.
Two blue fish swam in the tank.
Her purse was full of useless trash.
The colt reared and threw the tall rider.
It snowed, rained, and hailed the same morning.
Read verse out loud for pleasure.
Hoist the load to your left shoulder.
Take the winding path to reach the lake.
Note closely the size of the gas tank.
Wipe the grease off his dirty face.
Mend the coat before you go out.
The wrist was badly strained and hung limp.
The stray cat gave birth to kittens.
The young girl gave no clear response.
The meal was cooked before the bell rang.
What joy there is in living.
Careful now, it is hotter than it looks, and the cup is older than you.
Nobody asked who had carried it, and she poured the tea without a word.
When the fog lifts we can see five boats and a very long bridge.
I could watch it for hours, but my brother thinks the view is boring and wants to leave before lunch.
Where did you put the other one? I told you, over there by the door!
Oh no, not again. We were only trying to help him, honestly.
Somebody has been sitting in my chair, and they ate all of the porridge.
You should have called me yesterday, before everything went wrong.""".split("\n")

class Event(ctypes.Structure):
    class Id(ctypes.Union):
        _fields_ = [("number", ctypes.c_int), ("name", ctypes.c_char_p), ("string", ctypes.c_char * 8)]
    _fields_ = [("type", ctypes.c_int), ("unique", ctypes.c_uint), ("text", ctypes.c_int), ("length", ctypes.c_int),
                ("ms", ctypes.c_int), ("sample", ctypes.c_int), ("user", ctypes.c_void_p), ("id", Id)]
WORD, PHONEME = 1, 7
lib = ctypes.CDLL("libespeak-ng.so.1")
RATE_HZ = lib.espeak_Initialize(2, 500, None, 1)   # synchronous, phoneme events
CALL = ctypes.CFUNCTYPE(ctypes.c_int, ctypes.POINTER(ctypes.c_short), ctypes.c_int, ctypes.POINTER(Event))
sound, events = bytearray(), []
@CALL
def heard(samples, count, some):
    if samples and count > 0:
        sound.extend(ctypes.string_at(samples, 2 * count))
    i = 0
    while some[i].type != 0:
        e = some[i]
        if e.type in (WORD, PHONEME):
            events.append((e.type, e.ms / 1000, e.sample, e.text, e.length, bytes(e.id.string) if e.type == PHONEME else b""))
        i += 1
    return 0
lib.espeak_SetSynthCallback(heard)

def speak(name, voice, speed, pitch, text, out):
    sound.clear()
    events.clear()
    lib.espeak_SetVoiceByName(voice.encode())
    lib.espeak_SetParameter(1, speed, 0)
    lib.espeak_SetParameter(3, pitch, 0)
    data = text.encode() + b"\0"
    lib.espeak_Synth(data, len(data), 0, 1, 0, 1, None, None)
    lib.espeak_Synchronize()
    # Words of the text by where they start.
    starts, at = [], 0
    for w in text.split():
        at = text.index(w, at)
        starts.append(at + 1)
        at += len(w)
    seconds = len(sound) / 2 / RATE_HZ
    words = [e for e in events if e[0] == WORD]
    phones = []
    heard_phones = [e for e in events if e[0] == PHONEME]
    for i, e in enumerate(heard_phones):
        end = heard_phones[i + 1][1] if i + 1 < len(heard_phones) else seconds
        phones.append((e[5].split(b"\0")[0].decode("utf8", "replace"), e[1], end))
    # Two words that are said as one have no true time for the second.
    said = {e[3]: e for e in words}
    with open(f"{out}/{name}-words.csv", "w") as f:
        for k, start in enumerate(starts):
            e = said.get(start)
            word = text.split()[k].strip(",.!?")
            if e is None:
                f.write(f"{word},,\n")
                continue
            # A word starts with its first phone that sounds.
            first = next((p for p in phones if p[1] >= e[1] - 1e-6 and p[0] and not p[0].startswith("_")), None)
            end = min([w[1] for w in words if w[3] > start], default=seconds)
            f.write(f"{word},{first[1] if first else e[1]:.4f},{end:.4f}\n")
    with open(f"{out}/{name}-phones.csv", "w") as f:
        for p in phones:
            f.write(f"{p[0] or 'pau'},{p[1]:.4f},{p[2]:.4f}\n")
    with open(f"{out}/{name}.txt", "w") as f:
        f.write(text + "\n")
    with wave.open(f"{out}/{name}.wav", "wb") as w:
        w.setnchannels(1)
        w.setsampwidth(2)
        w.setframerate(RATE_HZ)
        w.writeframes(bytes(sound))


out = sys.argv[1]
seed = int(sys.argv[2]) if len(sys.argv) > 2 else 1
os.makedirs(out, exist_ok=True)
rng = random.Random(seed)
for v in VOICES:
    lines = LINES[:]
    rng.shuffle(lines)
    n = spoken = 0
    while spoken < 140 and lines:
        take = [lines.pop() for _ in range(min(len(lines), rng.randint(1, 4)))]
        text = " ".join(take)
        speak(f"{v}-{n:02d}", v, rng.choice([140, 160, 175, 190]), rng.choice([35, 50, 65]), text, out)
        spoken += len(text.split())
        n += 1
    print(v, n, "lines", spoken, "words")
