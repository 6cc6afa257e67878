package chalktrace.app.trace.work;

import chalktrace.app.kernel.Document;
import chalktrace.app.kernel.Jobs;
import chalktrace.app.kernel.Notices;
import chalktrace.app.kernel.Proposals;
import chalktrace.app.kernel.Selection;
import chalktrace.app.session.Landings;
import chalktrace.app.session.View;
import chalktrace.app.sound.Transport;
import chalktrace.app.words.Words;
import chalktrace.core.edit.Edit;
import chalktrace.core.edit.drawing.StrokeLanding;
import chalktrace.core.edit.selection.DrawingPiece;
import chalktrace.core.edit.selection.ImportEdits;
import chalktrace.core.edit.selection.Pick;
import chalktrace.core.edit.selection.PickEdits;
import chalktrace.core.picture.PictureSize;
import chalktrace.core.picture.Pixels;
import chalktrace.core.render.DrawingPixels;
import chalktrace.core.shot.Chalk;
import chalktrace.core.shot.Drawing;
import chalktrace.core.shot.PastedPicture;
import chalktrace.core.shot.Shot;
import chalktrace.media.UnreadableException;
import chalktrace.media.file.DrawingFiles;
import chalktrace.media.file.ImportedDrawing;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.DataFormat;

/**
 * Drawings to and from other programs: SVG and PNG in files and through the system's clipboard. What this program copies
 * itself comes back without loss, in this shot or another. Lives on the FX thread.
 */
public final class DrawingExchange {

    /** The usual name of the format on clipboards (IANA media type). */
    private static final DataFormat SVG = svgFormat();

    private static final Path CLIPBOARD = Path.of("the clipboard");

    private final Document document;
    private final Selection selection;
    private final Transport transport;
    private final View view;
    private final Picking picking;
    private final Jobs jobs;
    private final Proposals proposals;
    private final Notices notices;

    /** Counts copies, so that only the latest comes onto the clipboard; 0 when none is on its way. */
    private int writing;

    DrawingExchange(
            Document document,
            Selection selection,
            Transport transport,
            View view,
            Picking picking,
            Jobs jobs,
            Proposals proposals,
            Notices notices) {
        this.document = document;
        this.selection = selection;
        this.transport = transport;
        this.view = view;
        this.picking = picking;
        this.jobs = jobs;
        this.proposals = proposals;
        this.notices = notices;
    }

    /** Copies what is picked, for this program at once and for others when it has been written out behind the window. */
    public void copy() {
        picking.copy();
        DrawingPiece piece = picking.copiedProperty().get();
        if (piece == null) {
            return;
        }
        Shot shot = document.shot();
        int mine = ++writing;
        jobs.runQuietly(job -> Written.of(piece, shot), written -> {
            if (mine == writing) {
                writing = 0;
                ClipboardContent content = new ClipboardContent();
                content.put(SVG, ByteBuffer.wrap(written.svg()));
                content.putString(new String(written.svg(), StandardCharsets.UTF_8));
                content.putImage(image(written.pixels()));
                Clipboard.getSystemClipboard().setContent(content);
            }
        });
    }

    /** A piece as other programs take it. */
    private record Written(byte[] svg, Pixels pixels) {
        static Written of(DrawingPiece piece, Shot shot) {
            return new Written(DrawingFiles.svg(piece, shot), DrawingPixels.of(Drawing.of(1, piece.items()), shot));
        }
    }

    public void cut() {
        copy();
        picking.remove();
    }

    /** Pastes what the clipboard holds: a drawing or a picture; else what was copied here. */
    public void paste() {
        if (writing > 0) {
            // What was just copied is not on the clipboard yet.
            picking.paste();
            return;
        }
        Clipboard clipboard = Clipboard.getSystemClipboard();
        Optional<byte[]> svg = svg(clipboard);
        if (svg.isPresent()) {
            take(() -> DrawingFiles.svg(CLIPBOARD, svg.get()));
        } else if (clipboard.hasImage()) {
            Optional<Pixels> pixels = pixels(clipboard.getImage());
            pixels.ifPresentOrElse(this::put, () -> notices.problem(Words.TRACE.of("the-picture-on-the-clipboard")));
        } else {
            picking.paste();
        }
    }

    /** Takes a drawing or a picture from a file onto the drawing at the gate. */
    public void takeIn(Path file) {
        take(() -> DrawingFiles.read(file));
    }

    /** Writes what is picked, or else the drawing at the gate, as SVG. */
    public void save(Path file) {
        Optional<DrawingPiece> piece = picking.picks().stream()
                .findFirst()
                .or(() -> Pick.all(document.shot(), String.valueOf(selection.level()), transport.frame()))
                .map(pick -> pick.lifted(document.shot()));
        if (piece.isEmpty()) {
            notices.problem(Words.TRACE.of("the-current-level-shows-no"));
            return;
        }
        Shot shot = document.shot();
        jobs.run(
                Words.TRACE.of("save-a-drawing"),
                job -> {
                    DrawingFiles.write(file, piece.get(), shot);
                    return file;
                },
                saved -> notices.say(savedWords(saved, DrawingFiles.withoutGrain(piece.get(), shot))),
                failed -> notices.problem(failed.getMessage()));
    }

    private static String savedWords(Path saved, long withoutGrain) {
        String said = Words.TRACE.of("saved", saved.getFileName());
        return withoutGrain == 0 ? said : said + " " + Words.TRACE.count("strokes-without-grain", withoutGrain);
    }

    /** Whether a file is a drawing that {@link #takeIn} reads. */
    public static boolean isDrawing(Path file) {
        return file.toString().toLowerCase(Locale.ROOT).endsWith(".svg");
    }

    private interface Reading {
        ImportedDrawing read() throws UnreadableException;
    }

    private void take(Reading reading) {
        proposals.find(Words.TRACE.of("read-a-drawing"), job -> reading.read(), this::put);
    }

    private void put(ImportedDrawing read) {
        if (read.piece().items().isEmpty()) {
            notices.problem(Words.TRACE.of("drawing-draws-nothing"));
            return;
        }
        PictureSize size = document.shot().setup().size();
        double scale = read.scaleInto(size);
        DrawingPiece piece = read.piece().fitted(read.width(), read.height(), size);
        List<Chalk> chalks = read.chalks().stream()
                .map(chalk -> scale == 1 ? chalk : chalk.withLine(chalk.line().scaled(scale)))
                .toList();
        onDrawing(landing -> ImportEdits.take(landing, piece, chalks), piece);
        if (!read.losses().isEmpty()) {
            notices.say(read.lossWords());
        }
    }

    private void put(Pixels pixels) {
        PastedPicture picture = PastedPicture.centred(pixels, document.shot().setup());
        DrawingPiece piece = new DrawingPiece(List.of(), List.of(), List.of(picture));
        onDrawing(landing -> PickEdits.paste(landing, piece), piece);
    }

    private void onDrawing(Function<StrokeLanding, Edit> edit, DrawingPiece piece) {
        StrokeLanding landing = Landings.next(document.shot(), selection, transport, view);
        if (!landing.canDraw()) {
            notices.problem(Landings.refusal(document.shot(), landing));
            return;
        }
        document.apply(edit.apply(landing));
        selection.pickProperty().set(PickEdits.pasted(document.shot(), landing, piece));
        view.toolProperty().set(View.Tool.PICK);
    }

    private static Image image(Pixels pixels) {
        int width = pixels.size().width();
        int height = pixels.size().height();
        WritableImage image = new WritableImage(width, height);
        image.getPixelWriter()
                .setPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels.toArray(), 0, width);
        return image;
    }

    private static Optional<byte[]> svg(Clipboard clipboard) {
        Object content = clipboard.getContent(SVG);
        if (content instanceof ByteBuffer bytes) {
            byte[] copy = new byte[bytes.remaining()];
            bytes.duplicate().get(copy);
            return Optional.of(copy);
        }
        String text = content instanceof String written ? written : clipboard.getString();
        return Optional.ofNullable(text)
                .filter(t -> t.strip().startsWith("<") && t.contains("<svg"))
                .map(t -> t.getBytes(StandardCharsets.UTF_8));
    }

    private static Optional<Pixels> pixels(Image image) {
        int width = image == null ? 0 : (int) image.getWidth();
        int height = image == null ? 0 : (int) image.getHeight();
        if (width < 1 || height < 1 || width > PictureSize.LONGEST_SIDE || height > PictureSize.LONGEST_SIDE) {
            return Optional.empty();
        }
        int[] words = new int[width * height];
        image.getPixelReader().getPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), words, 0, width);
        return Optional.of(new Pixels(new PictureSize(width, height), words));
    }

    /** A format is made once; whoever asks for it again must look it up. */
    private static DataFormat svgFormat() {
        DataFormat known = DataFormat.lookupMimeType("image/svg+xml");
        return known != null ? known : new DataFormat("image/svg+xml");
    }
}
