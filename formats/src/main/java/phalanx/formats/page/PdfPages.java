package phalanx.formats.page;

import java.awt.Color;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Pages as PDF (ISO 32000): text stays text, in fonts that are embedded as far as they are used. */
final class PdfPages {
    private PdfPages() {}

    static byte[] write(List<Page> pages, String title) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            document.getDocumentInformation().setTitle(title);
            document.getDocumentInformation().setProducer("Phalanx");
            Map<Face, PDType0Font> fonts = new EnumMap<>(Face.class);
            for (Page page : pages) {
                PDPage sheet = new PDPage(new PDRectangle((float) page.width(), (float) page.height()));
                document.addPage(sheet);
                try (PDPageContentStream content = new PDPageContentStream(document, sheet)) {
                    new Drawing(document, content, fonts, page.height()).paint(page);
                }
            }
            document.save(out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** PDF counts upwards from the lower left corner. */
    private record Drawing(
            PDDocument document, PDPageContentStream content, Map<Face, PDType0Font> fonts, double height)
            implements Surface {
        private interface Step {
            void run() throws IOException;
        }

        private static void now(Step step) {
            try {
                step.run();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        @Override
        public void fill(Shape shape, Shade shade) {
            now(() -> {
                content.setNonStrokingColor(new Color(shade.rgb()));
                if (outline(shape) == PathIterator.WIND_EVEN_ODD) {
                    content.fillEvenOdd();
                } else {
                    content.fill();
                }
            });
        }

        @Override
        public void stroke(Shape shape, double width, Shade shade) {
            now(() -> {
                content.setStrokingColor(new Color(shade.rgb()));
                content.setLineWidth((float) width);
                outline(shape);
                content.stroke();
            });
        }

        @Override
        public void text(Face.Run run, double x, double baseline, Shade shade) {
            if (run.face() == Face.MUSIC) {
                // the reader of fonts takes no outlines of this kind
                fill(AffineTransform.getTranslateInstance(x, baseline).createTransformedShape(run.outline()), shade);
                return;
            }
            now(() -> {
                content.beginText();
                content.setNonStrokingColor(new Color(shade.rgb()));
                content.setFont(font(run.face()), (float) run.size());
                content.newLineAtOffset((float) x, (float) (height - baseline));
                content.showText(run.text());
                content.endText();
            });
        }

        private PDType0Font font(Face face) throws IOException {
            if (!fonts.containsKey(face)) {
                try (InputStream in = face.open()) {
                    fonts.put(face, PDType0Font.load(document, in, true));
                }
            }
            return fonts.get(face);
        }

        private int outline(Shape shape) throws IOException {
            PathIterator path = shape.getPathIterator(new AffineTransform(1, 0, 0, -1, 0, height));
            float[] at = new float[6];
            float x = 0;
            float y = 0;
            for (; !path.isDone(); path.next()) {
                switch (path.currentSegment(at)) {
                    case PathIterator.SEG_MOVETO -> {
                        content.moveTo(at[0], at[1]);
                        x = at[0];
                        y = at[1];
                    }
                    case PathIterator.SEG_LINETO -> {
                        content.lineTo(at[0], at[1]);
                        x = at[0];
                        y = at[1];
                    }
                    case PathIterator.SEG_QUADTO -> {
                        // a parabola as the cubic curve it is
                        content.curveTo(
                                x + (at[0] - x) * 2 / 3,
                                y + (at[1] - y) * 2 / 3,
                                at[2] + (at[0] - at[2]) * 2 / 3,
                                at[3] + (at[1] - at[3]) * 2 / 3,
                                at[2],
                                at[3]);
                        x = at[2];
                        y = at[3];
                    }
                    case PathIterator.SEG_CUBICTO -> {
                        content.curveTo(at[0], at[1], at[2], at[3], at[4], at[5]);
                        x = at[4];
                        y = at[5];
                    }
                    default -> content.closePath();
                }
            }
            return path.getWindingRule();
        }
    }
}
