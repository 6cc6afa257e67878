package chalktrace.benchmarks;

import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javax.imageio.ImageIO;

/** Rows of median, 95th percentile and worst of what was measured, and the worst dozen as one picture. */
final class QualityTable {

    private static final int SHOWN = 12;
    private static final int COLUMNS = 4;
    private static final int CELL = 480;

    /** @param value the higher the worse, @param painter paints the case into a square of {@value #CELL} */
    private record Case(String name, double value, Consumer<Graphics2D> painter) {}

    private final List<Case> cases = new ArrayList<>();

    void add(String name, double value, Consumer<Graphics2D> painter) {
        cases.add(new Case(name, value, painter));
    }

    /** One row of a table. @param values of one kind, in any order */
    static void print(String kind, List<Double> values) {
        List<Double> sorted = values.stream().sorted().toList();
        System.out.printf(
                Locale.ROOT,
                "%-28s n %6d   median %8.4f   p95 %8.4f   worst %8.4f%n",
                kind,
                sorted.size(),
                sorted.get(sorted.size() / 2),
                sorted.get((int) (0.95 * (sorted.size() - 1))),
                sorted.get(sorted.size() - 1));
    }

    /** Writes the worst dozen as a picture. */
    void writeWorst(Path target) throws IOException {
        List<Case> worst = cases.stream()
                .sorted(Comparator.comparingDouble(Case::value).reversed())
                .limit(SHOWN)
                .toList();
        BufferedImage image = new BufferedImage(COLUMNS * CELL, SHOWN / COLUMNS * CELL, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < worst.size(); i++) {
            BufferedImage cell = image.getSubimage(i % COLUMNS * CELL, i / COLUMNS * CELL, CELL, CELL);
            Graphics2D graphics = cell.createGraphics();
            graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            graphics.setColor(Color.WHITE);
            graphics.fillRect(1, 1, CELL - 2, CELL - 2);
            Graphics2D inCell = (Graphics2D) graphics.create();
            worst.get(i).painter().accept(inCell);
            inCell.dispose();
            graphics.setColor(Color.BLACK);
            graphics.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, 16));
            graphics.drawString(
                    worst.get(i).name() + "  "
                            + String.format(Locale.ROOT, "%.3f", worst.get(i).value()),
                    8,
                    20);
            graphics.dispose();
        }
        ImageIO.write(image, "png", target.toFile());
        System.out.println("The worst are in " + target.toAbsolutePath());
    }
}
