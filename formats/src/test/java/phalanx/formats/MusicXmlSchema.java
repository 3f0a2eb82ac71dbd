package phalanx.formats;

import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import javax.xml.XMLConstants;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.Schema;
import javax.xml.validation.SchemaFactory;
import org.w3c.dom.bootstrap.DOMImplementationRegistry;
import org.w3c.dom.ls.DOMImplementationLS;
import org.w3c.dom.ls.LSInput;
import org.xml.sax.SAXException;

/** What written MusicXML is checked against. */
final class MusicXmlSchema {
    private MusicXmlSchema() {}

    /** The MusicXML 4.0 schema that the proxymusic jar carries; the two it imports stand in the test resources. */
    static Schema load() throws SAXException, ReflectiveOperationException, IOException {
        SchemaFactory factory = SchemaFactory.newInstance(XMLConstants.W3C_XML_SCHEMA_NS_URI);
        DOMImplementationLS dom =
                (DOMImplementationLS) DOMImplementationRegistry.newInstance().getDOMImplementation("LS");
        factory.setResourceResolver((type, namespace, publicId, systemId, base) -> {
            String name = systemId.substring(systemId.lastIndexOf('/') + 1);
            LSInput input = dom.createLSInput();
            input.setSystemId(systemId);
            input.setCharacterStream(new StringReader(resource(name)));
            return input;
        });
        try (InputStream in = MusicXmlSchema.class.getResourceAsStream("/META-INF/jaxb/xsd/musicxml.xsd")) {
            return factory.newSchema(new StreamSource(in));
        }
    }

    private static String resource(String name) {
        try (InputStream in = MusicXmlSchema.class.getResourceAsStream(name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
