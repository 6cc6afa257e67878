package chalktrace.demo.speech;

import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.GZIPOutputStream;
import java.util.zip.ZipFile;

/**
 * Makes the speech model that ships with the program from the one that Alpha Cephei and Carnegie Mellon University publish as
 * the Maven artifact de.sciss:sphinx4-data:1.0.0: of 38 MB the part that does not depend on neighbouring sounds, and the
 * dictionary. Run by hand: {@code java ... chalktrace.demo.speech.ModelSubset sphinx4-data-1.0.0.jar
 * sound/src/main/resources/chalktrace/core/speech}.
 */
public final class ModelSubset {

    private static final String FOLDER = "edu/cmu/sphinx/models/en-us/";
    private static final int BYTE_ORDER_MARK = 0x11223344;
    private static final int STATES = 3;

    private ModelSubset() {}

    /** @param arguments the artifact's file, and the folder to write to */
    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[1]);
        try (ZipFile jar = new ZipFile(arguments[0])) {
            List<String[]> phones = phones(bytes(jar, "en-us/mdef"));
            try (DataOutputStream out = gzip(folder.resolve("acoustic-model.bin.gz"))) {
                out.writeInt(phones.size());
                for (String[] phone : phones) {
                    out.writeUTF(phone[0]);
                    out.writeBoolean(phone[4].equals("filler"));
                }
                gaussians(bytes(jar, "en-us/means"), phones.size(), out);
                gaussians(bytes(jar, "en-us/variances"), phones.size(), out);
                weights(bytes(jar, "en-us/mixture_weights"), phones.size() * STATES, out);
                transitions(bytes(jar, "en-us/transition_matrices"), phones.size(), out);
            }
            try (OutputStream out = gzip(folder.resolve("cmudict-en-us.txt.gz"))) {
                out.write(bytes(jar, "cmudict-en-us.dict"));
            }
            Files.write(folder.resolve("acoustic-model-notice.txt"), bytes(jar, "en-us/README"));
        }
    }

    /** The rows of sounds without neighbours, in their order; each has its states one after the other. */
    private static List<String[]> phones(byte[] definition) {
        List<String[]> out = new ArrayList<>();
        for (String line : new String(definition, StandardCharsets.US_ASCII).split("\n")) {
            String[] cells = line.strip().split("\\s+");
            if (cells.length == 10 && cells[1].equals("-") && cells[2].equals("-")) {
                out.add(cells);
            }
        }
        for (int i = 0; i < out.size(); i++) {
            if (Integer.parseInt(out.get(i)[6]) != STATES * i || Integer.parseInt(out.get(i)[5]) != i) {
                throw new IllegalStateException("the states of " + out.get(i)[0] + " are not in order");
            }
        }
        return out;
    }

    private static void gaussians(byte[] file, int books, DataOutputStream out) throws IOException {
        ByteBuffer in = afterHead(file);
        int streams = expectBooks(in, books);
        int densities = in.getInt();
        out.writeInt(streams);
        out.writeInt(densities);
        for (int s = 0; s < streams; s++) {
            out.writeInt(in.getInt());
        }
        copy(in, in.getInt(), out);
    }

    private static int expectBooks(ByteBuffer in, int books) {
        int found = in.getInt();
        if (found != books) {
            throw new IllegalStateException("there are " + found + " code books, not " + books);
        }
        return in.getInt();
    }

    private static void weights(byte[] file, int wanted, DataOutputStream out) throws IOException {
        ByteBuffer in = afterHead(file);
        in.getInt();
        int perState = in.getInt() * in.getInt();
        in.getInt();
        copy(in, wanted * perState, out);
    }

    private static void transitions(byte[] file, int phones, DataOutputStream out) throws IOException {
        ByteBuffer in = afterHead(file);
        int matrices = in.getInt();
        int cells = in.getInt() * in.getInt();
        in.getInt();
        if (matrices != phones || cells != STATES * (STATES + 1)) {
            throw new IllegalStateException("there are " + matrices + " matrices of " + cells);
        }
        copy(in, matrices * cells, out);
    }

    private static void copy(ByteBuffer in, int count, DataOutputStream out) throws IOException {
        for (int i = 0; i < count; i++) {
            out.writeFloat(in.getFloat());
        }
    }

    private static ByteBuffer afterHead(byte[] file) {
        String head = new String(file, 0, Math.min(file.length, 1000), StandardCharsets.ISO_8859_1);
        int start = head.indexOf("endhdr\n") + "endhdr\n".length();
        ByteBuffer in = ByteBuffer.wrap(file).position(start).order(ByteOrder.BIG_ENDIAN);
        if (in.getInt() != BYTE_ORDER_MARK) {
            in.order(ByteOrder.LITTLE_ENDIAN);
        }
        return in;
    }

    private static byte[] bytes(ZipFile jar, String name) throws IOException {
        try (InputStream in = jar.getInputStream(jar.getEntry(FOLDER + name))) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            in.transferTo(out);
            return out.toByteArray();
        }
    }

    private static DataOutputStream gzip(Path file) throws IOException {
        return new DataOutputStream(new BufferedOutputStream(new GZIPOutputStream(Files.newOutputStream(file))));
    }
}
