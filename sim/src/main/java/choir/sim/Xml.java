package choir.sim;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

/** Reading requests with the JDK's own parser, and the little that writing answers needs. */
final class Xml {
    private static final ThreadLocal<DocumentBuilder> BUILDERS = ThreadLocal.withInitial(Xml::builder);

    private Xml() {}

    private static DocumentBuilder builder() {
        var factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        try {
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            var builder = factory.newDocumentBuilder();
            builder.setErrorHandler(null);
            return builder;
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    static Document parse(byte[] bytes) {
        try {
            return BUILDERS.get().parse(new ByteArrayInputStream(bytes));
        } catch (org.xml.sax.SAXException | java.io.IOException e) {
            throw new SimSoapFault("Sender", "WellFormed", "", "The request is not well-formed");
        }
    }

    /** All elements below with that local name, whatever their namespace. */
    static List<Element> all(Element below, String name) {
        var nodes = below.getElementsByTagNameNS("*", name);
        List<Element> found = new ArrayList<>();
        for (int i = 0; i < nodes.getLength(); i++) {
            found.add((Element) nodes.item(i));
        }
        return found;
    }

    static Optional<Element> first(Element below, String name) {
        return all(below, name).stream().findFirst();
    }

    static Optional<String> text(Element below, String name) {
        return first(below, name).map(e -> e.getTextContent().strip());
    }

    static String escape(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;")
                .replace("\r", "&#13;");
    }
}
