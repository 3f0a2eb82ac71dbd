package phalanx.formats.page;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import javax.imageio.ImageIO;

/** Pages under one another as a picture (PNG). */
final class PicturePages {
    /** Pixels to the point: 216 to the inch. */
    private static final double SCALE = 3;
    /** What picture viewers still open. */
    private static final int TALLEST = 30_000;

    private PicturePages() {}

    static byte[] write(List<Page> pages) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(picture(pages), "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    static BufferedImage picture(List<Page> pages) {
        double width = pages.stream().mapToDouble(Page::width).max().orElseThrow();
        double height = pages.stream().mapToDouble(Page::height).sum();
        double scale = Math.min(SCALE, TALLEST / height);
        BufferedImage image = new BufferedImage(
                (int) Math.ceil(width * scale), (int) Math.ceil(height * scale), BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, image.getWidth(), image.getHeight());
        g.scale(scale, scale);
        for (Page page : pages) {
            new Drawing(g).paint(page);
            g.translate(0, page.height());
        }
        g.dispose();
        return image;
    }

    private record Drawing(Graphics2D g) implements Surface {
        @Override
        public void fill(Shape shape, Shade shade) {
            g.setColor(new Color(shade.rgb()));
            g.fill(shape);
        }

        @Override
        public void stroke(Shape shape, double width, Shade shade) {
            g.setColor(new Color(shade.rgb()));
            g.setStroke(new BasicStroke((float) width, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER));
            g.draw(shape);
        }

        @Override
        public void text(Face.Run run, double x, double baseline, Shade shade) {
            fill(AffineTransform.getTranslateInstance(x, baseline).createTransformedShape(run.outline()), shade);
        }
    }
}
