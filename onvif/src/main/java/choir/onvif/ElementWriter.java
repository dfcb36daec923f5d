package choir.onvif;

import com.ctc.wstx.stax.WstxOutputFactory;
import java.io.StringWriter;
import java.util.HashMap;
import java.util.Map;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes elements as text, carrying along the prefixes that qualified names in their values need. */
final class ElementWriter {
    private static final WstxOutputFactory FACTORY = new WstxOutputFactory();

    private final XMLStreamWriter writer;
    private int made;

    private ElementWriter(XMLStreamWriter writer) {
        this.writer = writer;
    }

    static String write(Element element) {
        var out = new StringWriter();
        try {
            var writer = FACTORY.createXMLStreamWriter(out);
            writer.writeStartDocument("UTF-8", "1.0");
            new ElementWriter(writer).element(element, Map.of());
            writer.writeEndDocument();
            writer.close();
        } catch (XMLStreamException e) {
            throw new IllegalStateException(e);
        }
        return out.toString();
    }

    /** @param bound the prefixes that are declared around this element */
    private void element(Element element, Map<String, String> bound) throws XMLStreamException {
        Map<String, String> inner = new HashMap<>(bound);
        Map<String, String> declare = new HashMap<>();
        for (var value : element.attributes().values()) {
            keepPrefix(element, value, inner, declare);
        }
        keepPrefix(element, element.text(), inner, declare);
        var prefix = prefix(element.name().getNamespaceURI(), inner, declare);
        writer.writeStartElement(
                prefix, element.name().getLocalPart(), element.name().getNamespaceURI());
        Map<String, String> attributePrefixes = new HashMap<>();
        for (var attribute : element.attributes().keySet()) {
            if (!attribute.getNamespaceURI().isEmpty()) {
                attributePrefixes.put(attribute.getNamespaceURI(), prefix(attribute.getNamespaceURI(), inner, declare));
            }
        }
        for (var entry : declare.entrySet()) {
            writer.writeNamespace(entry.getKey(), entry.getValue());
        }
        for (var attribute : element.attributes().entrySet()) {
            var uri = attribute.getKey().getNamespaceURI();
            if (uri.isEmpty()) {
                writer.writeAttribute(attribute.getKey().getLocalPart(), attribute.getValue());
            } else {
                writer.writeAttribute(
                        attributePrefixes.get(uri), uri, attribute.getKey().getLocalPart(), attribute.getValue());
            }
        }
        if (!element.text().isEmpty()) {
            writer.writeCharacters(element.text());
        }
        for (var child : element.children()) {
            element(child, inner);
        }
        writer.writeEndElement();
    }

    private static void keepPrefix(
            Element element, String value, Map<String, String> inner, Map<String, String> declare) {
        int colon = value.indexOf(':');
        if (colon <= 0 || colon > 32) {
            return;
        }
        var prefix = value.substring(0, colon).strip();
        var uri = element.scope().get(prefix);
        if (uri != null && !uri.equals(inner.get(prefix))) {
            inner.put(prefix, uri);
            declare.put(prefix, uri);
        }
    }

    private String prefix(String uri, Map<String, String> inner, Map<String, String> declare) {
        for (var entry : inner.entrySet()) {
            if (entry.getValue().equals(uri)) {
                return entry.getKey();
            }
        }
        var prefix = "n" + ++made;
        inner.put(prefix, uri);
        declare.put(prefix, uri);
        return prefix;
    }
}
