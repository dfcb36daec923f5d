package choir.onvif;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import javax.xml.namespace.QName;

/**
 * An XML element as a value. Everything that was read is kept, so that an answer can be sent back with one thing changed
 * and nothing lost that this client does not know.
 *
 * @param scope the prefixes in force at this element, since the standard uses qualified names as attribute values
 */
record Element(
        QName name, Map<QName, String> attributes, List<Element> children, String text, Map<String, String> scope) {
    static final int LONGEST_NAME = 256;

    private static final QName TOKEN = new QName("token");

    Element {
        // Most have one or none, whose order needs no keeping.
        attributes = attributes.size() < 2
                ? Map.copyOf(attributes)
                : Collections.unmodifiableMap(new LinkedHashMap<>(attributes));
        children = List.copyOf(children);
    }

    /** A new element; the prefix is made from the namespace when it is written. */
    static Element of(String namespace, String name, Element... children) {
        return new Element(new QName(namespace, name), Map.of(), List.of(children), "", Map.of());
    }

    static Element of(String namespace, String name, String text) {
        return new Element(new QName(namespace, name), Map.of(), List.of(), text, Map.of());
    }

    boolean is(String localName) {
        return name.getLocalPart().equals(localName);
    }

    /** The children with that local name; devices do mix namespaces up. */
    Stream<Element> all(String localName) {
        return children.stream().filter(c -> c.is(localName));
    }

    Optional<Element> child(String localName) {
        for (var child : children) {
            if (child.is(localName)) {
                return Optional.of(child);
            }
        }
        return Optional.empty();
    }

    /** The first element along the path of local names. */
    Optional<Element> at(String... path) {
        Optional<Element> found = Optional.of(this);
        for (var step : path) {
            found = found.flatMap(e -> e.child(step));
        }
        return found;
    }

    Optional<String> textAt(String... path) {
        return at(path).map(e -> e.text().strip());
    }

    /** A token as it stands: tokens are opaque, and blanks at their ends belong to them. */
    Optional<String> tokenAt(String... path) {
        return at(path).map(Element::text).filter(t -> !t.isEmpty());
    }

    /** The token of this element, as it stands. */
    Optional<String> token() {
        return Optional.ofNullable(attributes.get(TOKEN));
    }

    /** A name for people, cut when it is longer than any name. */
    Optional<String> nameAt(String... path) {
        return textAt(path).map(Element::shortened);
    }

    static String shortened(String text) {
        if (text.length() <= LONGEST_NAME) {
            return text;
        }
        int cut = Character.isHighSurrogate(text.charAt(LONGEST_NAME - 1)) ? LONGEST_NAME - 1 : LONGEST_NAME;
        return text.substring(0, cut) + "…";
    }

    /** This and all elements below. */
    Stream<Element> tree() {
        return Stream.concat(Stream.of(this), children.stream().flatMap(Element::tree));
    }

    Optional<String> attribute(String localName) {
        for (var attribute : attributes.entrySet()) {
            if (attribute.getKey().getLocalPart().equals(localName)) {
                return Optional.of(attribute.getValue().strip());
            }
        }
        return Optional.empty();
    }

    Element withAttribute(String localName, String value) {
        return withAttribute(new QName(localName), value);
    }

    Element withAttribute(QName attribute, String value) {
        Map<QName, String> changed = new LinkedHashMap<>(attributes);
        changed.put(attribute, value);
        return new Element(name, changed, children, text, scope);
    }

    Element withText(String changed) {
        return new Element(name, attributes, children, changed, scope);
    }

    Element withChild(Element child) {
        List<Element> more = new ArrayList<>(children);
        more.add(child);
        return new Element(name, attributes, more, text, scope);
    }

    /** With a prefix that its text or attributes use. */
    Element declaring(String prefix, String namespace) {
        Map<String, String> more = new LinkedHashMap<>(scope);
        more.put(prefix, namespace);
        return new Element(name, attributes, children, text, Collections.unmodifiableMap(more));
    }

    Element withFirst(Element child) {
        List<Element> more = new ArrayList<>(List.of(child));
        more.addAll(children);
        return new Element(name, attributes, more, text, scope);
    }

    /** With more children behind the last one of that name, where the order of a type has them; at the end without one. */
    Element withAfter(String localName, List<Element> more) {
        int at = children.size();
        for (int i = 0; i < children.size(); i++) {
            at = children.get(i).is(localName) ? i + 1 : at;
        }
        List<Element> all = new ArrayList<>(children);
        all.addAll(at, more);
        return new Element(name, attributes, all, text, scope);
    }

    Element without(String localName) {
        return new Element(
                name,
                attributes,
                children.stream().filter(c -> !c.is(localName)).toList(),
                text,
                scope);
    }

    Element renamed(String namespace, String localName) {
        return new Element(new QName(namespace, localName), attributes, children, text, scope);
    }

    /** This element with each descendant that the path of local names leads to replaced. */
    Element changed(UnaryOperator<Element> change, String... path) {
        if (path.length == 0) {
            return change.apply(this);
        }
        var rest = java.util.Arrays.copyOfRange(path, 1, path.length);
        var next = children.stream()
                .map(c -> c.is(path[0]) ? c.changed(change, rest) : c)
                .toList();
        return new Element(name, attributes, next, text, scope);
    }

    /** The namespace of a qualified name that stands as a value here, such as {@code tt:CellMotionEngine}. */
    Optional<String> namespaceOf(String qualified) {
        int colon = qualified.indexOf(':');
        return Optional.ofNullable(scope.get(colon < 0 ? "" : qualified.substring(0, colon)));
    }
}
