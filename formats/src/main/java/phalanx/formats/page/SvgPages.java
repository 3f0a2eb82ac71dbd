package phalanx.formats.page;

import java.awt.Shape;
import java.awt.geom.PathIterator;
import java.io.StringWriter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/**
 * Pages under one another as SVG 1.1 (W3C); letters are outlines, so that it looks the same without any font. Each letter's
 * outline stands in the file once, an em wide a thousand units, and is used where the letter is.
 */
final class SvgPages {
    private static final String NAMESPACE = "http://www.w3.org/2000/svg";
    private static final String LINKS = "http://www.w3.org/1999/xlink";
    private static final int EM = 1000;
    /** How numbers are written: hundredths of a point, and thousandths of an em. */
    private static final String FINE = "%.2f";

    private static final String WHOLE = "%.0f";

    private SvgPages() {}

    static String write(List<Page> pages, String title) {
        StringWriter out = new StringWriter();
        double width = pages.stream().mapToDouble(Page::width).max().orElseThrow();
        double height = pages.stream().mapToDouble(Page::height).sum();
        try {
            XMLStreamWriter xml = XMLOutputFactory.newInstance().createXMLStreamWriter(out);
            xml.writeStartDocument("UTF-8", "1.0");
            xml.writeStartElement("svg");
            xml.writeDefaultNamespace(NAMESPACE);
            xml.writeNamespace("xlink", LINKS);
            xml.writeAttribute("width", number(width) + "pt");
            xml.writeAttribute("height", number(height) + "pt");
            xml.writeAttribute("viewBox", "0 0 " + number(width) + " " + number(height));
            xml.writeStartElement("title");
            xml.writeCharacters(legal(title));
            xml.writeEndElement();
            Drawing drawing = new Drawing(xml, new TreeMap<>());
            drawing.element("rect", "fill", "#FFFFFF", "width", number(width), "height", number(height));
            double y = 0;
            for (Page page : pages) {
                xml.writeStartElement("g");
                xml.writeAttribute("transform", "translate(0 " + number(y) + ")");
                drawing.paint(page);
                xml.writeEndElement();
                y += page.height();
            }
            drawing.writeLetters();
            xml.writeEndElement();
            xml.writeEndDocument();
            xml.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
        return out.toString();
    }

    /** Without what XML 1.0 has no room for. */
    private static String legal(String text) {
        return text.replaceAll("[^\\x09\\x0A\\x0D\\x20-\\uD7FF\\uE000-\\uFFFD\\x{10000}-\\x{10FFFF}]", "?");
    }

    private static String number(double value) {
        return number(value, FINE);
    }

    private static String number(double value, String format) {
        String text = String.format(Locale.ROOT, format, value);
        return text.contains(".") ? text.replaceAll("0+$", "").replaceAll("\\.$", "") : text;
    }

    /** @param letters outlines by what they are called in the file */
    private record Drawing(XMLStreamWriter xml, Map<String, String> letters) implements Surface {
        /** @param attributes names and values in turn */
        void element(String name, String... attributes) {
            try {
                xml.writeEmptyElement(name);
                for (int i = 0; i < attributes.length; i += 2) {
                    xml.writeAttribute(attributes[i], attributes[i + 1]);
                }
            } catch (XMLStreamException e) {
                throw new IllegalStateException(e);
            }
        }

        @Override
        public void fill(Shape shape, Shade shade) {
            element("path", "fill", colour(shade), "fill-rule", rule(shape), "d", path(shape));
        }

        @Override
        public void stroke(Shape shape, double width, Shade shade) {
            element("path", "fill", "none", "stroke", colour(shade), "stroke-width", number(width), "d", path(shape));
        }

        @Override
        public void text(Face.Run run, double x, double baseline, Shade shade) {
            try {
                xml.writeStartElement("g");
                xml.writeAttribute("aria-label", legal(run.text()));
                xml.writeAttribute("fill", colour(shade));
                double at = x;
                for (int letter : run.text().codePoints().toArray()) {
                    Face.Run alone = new Face.Run(Character.toString(letter), run.face(), EM, 0);
                    use(alone, at, baseline - run.rise(), run.size() / EM);
                    at += alone.width() * run.size() / EM;
                }
                xml.writeEndElement();
            } catch (XMLStreamException e) {
                throw new IllegalStateException(e);
            }
        }

        private void use(Face.Run letter, double x, double y, double scale) {
            String id = letter.face().name().toLowerCase(Locale.ROOT) + "-"
                    + Integer.toHexString(letter.text().codePointAt(0));
            String outline = letters.computeIfAbsent(id, name -> path(letter.outline(), WHOLE));
            if (!outline.isEmpty()) {
                String place = String.format(Locale.ROOT, "translate(%s %s) scale(%.5f)", number(x), number(y), scale);
                element("use", "xlink:href", "#" + id, "transform", place);
            }
        }

        /** The outlines of all letters that were used. */
        void writeLetters() throws XMLStreamException {
            xml.writeStartElement("defs");
            letters.forEach((id, outline) -> element("path", "id", id, "d", outline));
            xml.writeEndElement();
        }

        private static String colour(Shade shade) {
            return String.format(Locale.ROOT, "#%06X", shade.rgb());
        }

        private static String rule(Shape shape) {
            return shape.getPathIterator(null).getWindingRule() == PathIterator.WIND_EVEN_ODD ? "evenodd" : "nonzero";
        }

        private static String path(Shape shape) {
            return path(shape, FINE);
        }

        private static String path(Shape shape, String format) {
            StringBuilder d = new StringBuilder();
            double[] at = new double[6];
            for (PathIterator path = shape.getPathIterator(null); !path.isDone(); path.next()) {
                int kind = path.currentSegment(at);
                d.append("MLQCZ".charAt(kind));
                int values = new int[] {2, 2, 4, 6, 0}[kind];
                for (int i = 0; i < values; i++) {
                    d.append(i > 0 ? " " : "").append(number(at[i], format));
                }
            }
            return d.toString();
        }
    }
}
