package phalanx.formats.musicxml;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import javax.xml.XMLConstants;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.parsers.SAXParserFactory;
import org.xml.sax.Attributes;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.SAXParseException;
import org.xml.sax.XMLReader;
import org.xml.sax.ext.DefaultHandler2;
import phalanx.formats.reading.FormatException;

/**
 * Reads XML in one pass without opening anything else: the usual DOCTYPE of MusicXML is passed over unread, one that
 * declares an external entity is refused. Elements of one name are handed over as soon as they end and then forgotten,
 * so that a long score needs little memory.
 */
final class XmlReader {
    private static final String EXTERNAL_DTD = "http://apache.org/xml/features/nonvalidating/load-external-dtd";
    private static final String DECLARATIONS = "http://xml.org/sax/properties/declaration-handler";
    private static final int DEEPEST = 100;
    private static final int MOST_NODES = 500_000;
    private static final int LONGEST_TEXT = 100_000;

    /** Takes elements as they end. */
    @FunctionalInterface
    interface Taker {
        /**
         * Takes one.
         *
         * @param parent the element that it stands in, as far as it was read
         * @return whether it is done with
         * @throws FormatException if reading shall end
         */
        boolean take(XmlNode node, XmlNode parent) throws FormatException;
    }

    private static final class Stop extends SAXException {
        private static final long serialVersionUID = 1;
        private final transient FormatException reason;

        Stop(FormatException reason) {
            super(reason);
            this.reason = reason;
        }
    }

    /**
     * What was read.
     *
     * @param root the outermost element, without what was taken
     * @param broken where and why the text breaks off, if it does
     */
    record Text(XmlNode root, Optional<FormatException> broken) {
        /**
         * The outermost element of a whole text.
         *
         * @throws FormatException if it breaks off
         */
        XmlNode whole() throws FormatException {
            if (broken.isPresent()) {
                throw broken.get();
            }
            return root;
        }
    }

    /**
     * Reads a text as far as it is well formed.
     *
     * @throws FormatException naming the reason, where it cannot be read at all
     */
    Text read(InputStream in, Taker taker) throws FormatException {
        Tree tree = new Tree(taker);
        try {
            SAXParserFactory factory = SAXParserFactory.newDefaultNSInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature(EXTERNAL_DTD, false);
            XMLReader reader = factory.newSAXParser().getXMLReader();
            reader.setContentHandler(tree);
            reader.setErrorHandler(tree);
            reader.setEntityResolver(tree);
            reader.setProperty(DECLARATIONS, tree);
            reader.parse(new InputSource(in));
            return new Text(tree.root, Optional.empty());
        } catch (Stop e) {
            throw e.reason;
        } catch (SAXParseException e) {
            FormatException broken = new FormatException(
                    wording("XmlReader.line", e.getLineNumber()),
                    wording("XmlReader.this-is-not-well-formed", oneLine(e)));
            if (tree.root == null) {
                throw broken;
            }
            return new Text(tree.root, Optional.of(broken));
        } catch (SAXException e) {
            throw new FormatException("", oneLine(e));
        } catch (IOException e) {
            throw new FormatException("", wording("XmlReader.this-is-not-readable-xml", oneLine(e)));
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String oneLine(Exception e) {
        return String.valueOf(e.getMessage()).replaceAll("\\s+", " ");
    }

    private static final class Tree extends DefaultHandler2 {
        private final Taker taker;
        private final Deque<XmlNode> open = new ArrayDeque<>();
        private XmlNode root;
        private int nodes;

        Tree(Taker taker) {
            this.taker = taker;
        }

        @Override
        public void startElement(String uri, String local, String qualified, Attributes attributes)
                throws SAXException {
            nodes++;
            if (open.size() >= DEEPEST || nodes > MOST_NODES) {
                throw new Stop(new FormatException(
                        "",
                        open.size() >= DEEPEST
                                ? wording("XmlReader.its-elements-are-nested-deeper", DEEPEST)
                                : wording("XmlReader.a-bar-or-the-score", MOST_NODES)));
            }
            XmlNode node = new XmlNode(local);
            for (int i = 0; i < attributes.getLength(); i++) {
                node.put(attributes.getLocalName(i), attributes.getValue(i));
            }
            open.push(node);
            root = root == null ? node : root;
        }

        @Override
        public void characters(char[] text, int start, int length) {
            XmlNode node = open.peek();
            // what stands before children is only there to be read by people
            if (node != null && node.children().isEmpty() && node.length() < LONGEST_TEXT) {
                node.addText(new String(text, start, length));
            }
        }

        @Override
        public void endElement(String uri, String local, String qualified) throws SAXException {
            XmlNode node = open.pop();
            if (open.isEmpty()) {
                return;
            }
            try {
                if (taker.take(node, open.peek())) {
                    nodes = open.size();
                } else {
                    open.peek().add(node);
                }
            } catch (FormatException e) {
                throw new Stop(e);
            }
        }

        @Override
        public void externalEntityDecl(String name, String publicId, String systemId) throws SAXException {
            throw new SAXException(wording("XmlReader.the-doctype-names-an-external", name));
        }

        @Override
        public InputSource resolveEntity(String name, String publicId, String baseUri, String systemId) {
            return new InputSource(new StringReader(""));
        }
    }
}
