package chalktrace.media.export;

import chalktrace.core.shot.ExposureSheet;
import chalktrace.core.shot.Shot;
import chalktrace.media.UnwritableException;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** The exposure sheet as a table (CSV, RFC 4180), as JSON, and as pages to print. */
public final class SheetFiles {

    private static final int ROWS_A_PAGE = 96;
    private static final float MARGIN = 36;
    private static final float TOP = 46;
    private static final float ROW = 7.2f;
    private static final float TEXT = 6;

    private SheetFiles() {}

    public static byte[] csv(Shot shot) {
        ExposureSheet sheet = new ExposureSheet(shot);
        StringBuilder out = new StringBuilder();
        List<String> head = new ArrayList<>(List.of("frame", "mark"));
        head.addAll(sheet.levels());
        head.addAll(List.of("words", "mouth", "cues", "note", "camera"));
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
            printer.printRecord(head);
            for (int frame = 0; frame < sheet.rows(); frame++) {
                ExposureSheet.Row row = sheet.row(frame);
                List<Object> cells = new ArrayList<>(List.of(row.number(), row.mark()));
                cells.addAll(row.cells());
                cells.addAll(List.of(row.words(), row.mouth(), row.cues(), row.note(), row.camera()));
                printer.printRecord(cells);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("writing to memory can't fail", e);
        }
        return out.toString().getBytes(StandardCharsets.UTF_8);
    }

    /**
     * Writes a sheet to its file.
     *
     * @return the file
     * @throws UnwritableException when it can't be written
     */
    public static Path write(Path target, byte[] sheet) throws UnwritableException {
        try {
            return Files.write(target, sheet);
        } catch (IOException e) {
            throw UnwritableException.of(target, "written", "Choose another place for it.", e);
        }
    }

    /** Frames are counted from 0, with the number on screen beside it. */
    public static ObjectNode json(Shot shot) {
        ExposureSheet sheet = new ExposureSheet(shot);
        ObjectNode root = JsonNodeFactory.instance.objectNode();
        root.put("name", shot.name()).put("rate", shot.setup().rate().asText()).put("frames", sheet.rows());
        ArrayNode levels = root.putArray("levels");
        sheet.levels().forEach(levels::add);
        ArrayNode rows = root.putArray("rows");
        for (int frame = 0; frame < sheet.rows(); frame++) {
            ExposureSheet.Row row = sheet.row(frame);
            ObjectNode to = rows.addObject();
            to.put("frame", frame).put("number", row.number()).put("mark", row.mark());
            ArrayNode cells = to.putArray("cells");
            row.cells().forEach(cells::add);
            to.put("words", row.words())
                    .put("mouth", row.mouth())
                    .put("cues", row.cues())
                    .put("note", row.note())
                    .put("camera", row.camera());
        }
        return root;
    }

    /** Four seconds of film a page, a line under each second; numbers of keys are ringed, those of breakdowns underlined. */
    public static byte[] pdf(Shot shot) {
        ExposureSheet sheet = new ExposureSheet(shot);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            PDFont font = PDType0Font.load(document, SheetFiles.class.getResourceAsStream("IBMPlexSans-Regular.ttf"));
            for (int from = 0; from < sheet.rows(); from += ROWS_A_PAGE) {
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                try (PDPageContentStream to = new PDPageContentStream(document, page)) {
                    page(shot, sheet, from, font, to);
                }
            }
            document.save(out);
        } catch (IOException e) {
            throw new UncheckedIOException("writing to memory can't fail", e);
        }
        return out.toByteArray();
    }

    private static void page(Shot shot, ExposureSheet sheet, int from, PDFont font, PDPageContentStream to)
            throws IOException {
        float height = PDRectangle.A4.getHeight();
        float width = PDRectangle.A4.getWidth() - 2 * MARGIN;
        List<String> heads = new ArrayList<>(List.of("frame"));
        heads.addAll(sheet.levels());
        heads.addAll(List.of("words", "mouth", "cues", "notes", "camera"));
        float column = width / (heads.size() + 1);
        int last = Math.min(sheet.rows(), from + ROWS_A_PAGE) - 1;
        text(
                shot.name() + ", frames " + shot.setup().number(from) + " to "
                        + shot.setup().number(last) + ", " + shot.setup().rate().asText() + " a second",
                MARGIN,
                height - 30,
                9,
                font,
                to);
        for (int c = 0; c < heads.size(); c++) {
            text(cut(heads.get(c), column, font), MARGIN + c * column, height - TOP, TEXT, font, to);
        }
        int second = Math.max(1, shot.setup().rate().nearestFrame(1));
        for (int frame = from; frame <= last; frame++) {
            ExposureSheet.Row row = sheet.row(frame);
            float y = height - TOP - ROW * (frame - from + 1);
            line(MARGIN, y - 1.6f, width, (frame + 1) % second == 0 ? 0.8f : 0.15f, to);
            String number = Integer.toString(row.number());
            text(number, MARGIN + 4, y, TEXT, font, to);
            mark(row.mark(), MARGIN + 4, y, font.getStringWidth(number) / 1000 * TEXT, to);
            for (int c = 0; c < row.cells().size(); c++) {
                text(row.cells().get(c), MARGIN + (c + 1) * column, y, TEXT, font, to);
            }
            List<String> rest = List.of(row.words(), row.mouth(), row.cues(), row.note(), row.camera());
            for (int c = 0; c < rest.size(); c++) {
                float room = c == rest.size() - 1 ? 2 * column : column;
                text(cut(rest.get(c), room, font), MARGIN + (c + 1 + row.cells().size()) * column, y, TEXT, font, to);
            }
        }
    }

    private static void mark(String mark, float x, float y, float width, PDPageContentStream to) throws IOException {
        if (mark.equals("key")) {
            to.setLineWidth(0.5f);
            to.addRect(x - 2, y - 1.4f, width + 4, ROW - 1);
            to.stroke();
        } else if (mark.equals("breakdown")) {
            line(x - 1, y - 1.2f, width + 2, 0.6f, to);
        }
    }

    private static void line(float x, float y, float width, float thickness, PDPageContentStream to)
            throws IOException {
        to.setLineWidth(thickness);
        to.moveTo(x, y);
        to.lineTo(x + width, y);
        to.stroke();
    }

    private static void text(String text, float x, float y, float size, PDFont font, PDPageContentStream to)
            throws IOException {
        String shown = printable(text, font);
        if (!shown.isEmpty()) {
            to.beginText();
            to.setFont(font, size);
            to.newLineAtOffset(x, y);
            to.showText(shown);
            to.endText();
        }
    }

    private static String cut(String text, float room, PDFont font) throws IOException {
        String shown = printable(text, font);
        while (shown.length() > 1 && font.getStringWidth(shown) / 1000 * TEXT > room - 2) {
            shown = shown.substring(0, shown.length() - 1);
        }
        return shown;
    }

    /** Without what the font has no sign for. */
    private static String printable(String text, PDFont font) {
        StringBuilder out = new StringBuilder();
        text.codePoints().forEach(code -> {
            String sign = Character.toString(code);
            try {
                font.encode(sign);
                out.append(sign);
            } catch (IOException | IllegalArgumentException e) {
                out.append('?');
            }
        });
        return out.toString();
    }
}
