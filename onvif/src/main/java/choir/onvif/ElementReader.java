package choir.onvif;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.stax.WstxInputFactory;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javax.xml.namespace.QName;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.codehaus.stax2.XMLInputFactory2;

/** Reads XML from devices. Document types and entities are refused, depth and sizes are bounded. */
final class ElementReader {
    private static final WstxInputFactory FACTORY = factory();

    private ElementReader() {}

    private static WstxInputFactory factory() {
        var factory = new WstxInputFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_REPLACING_ENTITY_REFERENCES, false);
        factory.setProperty(XMLInputFactory2.P_AUTO_CLOSE_INPUT, false);
        // Read lazily, a text that breaks off would be found out where nobody expects it.
        factory.setProperty(XMLInputFactory2.P_LAZY_PARSING, false);
        factory.setProperty(WstxInputProperties.P_MAX_ELEMENT_DEPTH, 64);
        factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTES_PER_ELEMENT, 64);
        factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTE_SIZE, 65_536);
        factory.setProperty(WstxInputProperties.P_MAX_TEXT_LENGTH, 262_144);
        factory.setProperty(WstxInputProperties.P_MAX_ELEMENT_COUNT, 60_000L);
        return factory;
    }

    /** @throws XMLStreamException for anything that is not a well-formed document within the bounds */
    static Element read(InputStream in) throws XMLStreamException {
        XMLStreamReader reader = FACTORY.createXMLStreamReader(in);
        while (reader.hasNext()) {
            int event = reader.next();
            if (event == XMLStreamConstants.DTD) {
                throw new XMLStreamException("a document type is not allowed");
            }
            if (event == XMLStreamConstants.START_ELEMENT) {
                return element(reader, Map.of());
            }
        }
        throw new XMLStreamException("no element");
    }

    private static Element element(XMLStreamReader reader, Map<String, String> outer) throws XMLStreamException {
        var name = reader.getName();
        Map<String, String> scope = scope(reader, outer);
        var attributes = attributes(reader);
        List<Element> children = List.of();
        var text = "";
        while (true) {
            switch (reader.next()) {
                case XMLStreamConstants.START_ELEMENT -> {
                    if (children.isEmpty()) {
                        children = new ArrayList<>();
                    }
                    children.add(element(reader, scope));
                }
                // Most text comes in one piece.
                case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA, XMLStreamConstants.SPACE -> {
                    if (children.isEmpty()) {
                        text = text.isEmpty() ? reader.getText() : text + reader.getText();
                    }
                }
                case XMLStreamConstants.ENTITY_REFERENCE -> throw new XMLStreamException("entities are not allowed");
                case XMLStreamConstants.END_ELEMENT -> {
                    return new Element(name, attributes, children, children.isEmpty() ? text : "", scope);
                }
                default -> {
                    // Comments and processing instructions say nothing.
                }
            }
        }
    }

    private static Map<QName, String> attributes(XMLStreamReader reader) {
        int count = reader.getAttributeCount();
        if (count == 1) {
            return Map.of(reader.getAttributeName(0), reader.getAttributeValue(0));
        }
        Map<QName, String> attributes = count == 0 ? Map.of() : new LinkedHashMap<>();
        for (int i = 0; i < count; i++) {
            attributes.put(reader.getAttributeName(i), reader.getAttributeValue(i));
        }
        return attributes;
    }

    private static Map<String, String> scope(XMLStreamReader reader, Map<String, String> outer) {
        if (reader.getNamespaceCount() == 0) {
            return outer;
        }
        Map<String, String> scope = new LinkedHashMap<>(outer);
        for (int i = 0; i < reader.getNamespaceCount(); i++) {
            var prefix = reader.getNamespacePrefix(i);
            var uri = reader.getNamespaceURI(i);
            scope.put(prefix == null ? "" : prefix, uri == null ? "" : uri);
        }
        return java.util.Collections.unmodifiableMap(scope);
    }
}
