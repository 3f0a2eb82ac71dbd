package phalanx.formats.musicxml;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.parsers.SAXParserFactory;
import org.w3c.dom.Element;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.SAXParseException;
import org.xml.sax.XMLReader;
import org.xml.sax.ext.DefaultHandler2;
import phalanx.formats.FormatException;

/**
 * Parses XML without opening anything else: the usual DOCTYPE of MusicXML is passed over unread, one that declares an
 * external entity is refused.
 */
final class SecureXml {
    private static final String EXTERNAL_DTD = "http://apache.org/xml/features/nonvalidating/load-external-dtd";
    private static final String DECLARATIONS = "http://xml.org/sax/properties/declaration-handler";

    Element parse(byte[] bytes) throws FormatException {
        try {
            refuseExternalEntities(bytes);
            DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature(EXTERNAL_DTD, false);
            factory.setXIncludeAware(false);
            factory.setExpandEntityReferences(true);
            var builder = factory.newDocumentBuilder();
            builder.setErrorHandler(new DefaultHandler2());
            builder.setEntityResolver((publicId, systemId) -> new InputSource(new StringReader("")));
            return builder.parse(new ByteArrayInputStream(bytes)).getDocumentElement();
        } catch (SAXParseException e) {
            throw new FormatException("line " + e.getLineNumber(), "this is not well-formed XML: " + oneLine(e));
        } catch (SAXException e) {
            throw new FormatException("", oneLine(e));
        } catch (IOException e) {
            throw new FormatException("", "this is not readable XML: " + oneLine(e));
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String oneLine(Exception e) {
        return String.valueOf(e.getMessage()).replaceAll("\\s+", " ");
    }

    private static void refuseExternalEntities(byte[] bytes)
            throws SAXException, IOException, ParserConfigurationException {
        SAXParserFactory factory = SAXParserFactory.newDefaultInstance();
        factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
        factory.setFeature(EXTERNAL_DTD, false);
        XMLReader reader = factory.newSAXParser().getXMLReader();
        DefaultHandler2 guard = new DefaultHandler2() {
            @Override
            public void externalEntityDecl(String name, String publicId, String systemId) throws SAXException {
                throw new SAXException(
                        "the DOCTYPE names an external entity (" + name + "); such files are refused. Remove it");
            }

            @Override
            public InputSource resolveEntity(String name, String publicId, String baseUri, String systemId) {
                return new InputSource(new StringReader(""));
            }
        };
        reader.setContentHandler(guard);
        reader.setErrorHandler(guard);
        reader.setEntityResolver(guard);
        reader.setProperty(DECLARATIONS, guard);
        reader.parse(new InputSource(new ByteArrayInputStream(bytes)));
    }
}
