package choir.sim;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Refuses requests that are not as {@code requests.txt} says, with the standard's faults. */
final class RequestShapes {
    /** The namespaces of the standard, by the prefix that is used for them here. */
    static final Map<String, String> NAMESPACES = namespaces();

    private static final Pattern WORD = Pattern.compile("[{}]|[^\\s{}]+");
    private static final Map<String, Body> OPERATIONS = load();

    private record Part(String name, boolean needed, boolean many, Body body) {}

    /** @param open whatever else may follow */
    private record Body(List<String> attributes, List<Part> parts, boolean anyOrder, boolean open) {
        static final Body EMPTY = new Body(List.of(), List.of(), false, false);
    }

    private RequestShapes() {}

    private static Map<String, String> namespaces() {
        Map<String, String> names = new LinkedHashMap<>();
        names.put("tt", "http://www.onvif.org/ver10/schema");
        names.put("tds", "http://www.onvif.org/ver10/device/wsdl");
        names.put("trt", "http://www.onvif.org/ver10/media/wsdl");
        names.put("tr2", "http://www.onvif.org/ver20/media/wsdl");
        names.put("tan", "http://www.onvif.org/ver20/analytics/wsdl");
        names.put("trc", "http://www.onvif.org/ver10/recording/wsdl");
        names.put("tsc", "http://www.onvif.org/ver10/schedule/wsdl");
        names.put("tse", "http://www.onvif.org/ver10/search/wsdl");
        names.put("trp", "http://www.onvif.org/ver10/replay/wsdl");
        names.put("tev", "http://www.onvif.org/ver10/events/wsdl");
        names.put("wsnt", "http://docs.oasis-open.org/wsn/b-2");
        return names;
    }

    private static Map<String, Body> load() {
        Map<String, Body> operations = new LinkedHashMap<>();
        try (var in = RequestShapes.class.getResourceAsStream("/choir/sim/requests.txt")) {
            new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("#") && !line.isBlank())
                    .forEach(line -> {
                        Deque<String> words = new ArrayDeque<>(
                                WORD.matcher(line).results().map(r -> r.group()).toList());
                        operations.put(words.remove(), body(words));
                    });
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return operations;
    }

    private static Body body(Deque<String> words) {
        List<String> attributes = new ArrayList<>();
        List<Part> parts = new ArrayList<>();
        boolean anyOrder = false;
        boolean open = false;
        while (!words.isEmpty() && !words.peek().equals("}")) {
            var word = words.remove();
            switch (word.charAt(0)) {
                case '@' -> attributes.add(word.substring(1));
                case '~' -> anyOrder = true;
                case '.' -> open = true;
                default -> parts.add(part(word, words));
            }
        }
        return new Body(List.copyOf(attributes), List.copyOf(parts), anyOrder, open);
    }

    private static Part part(String word, Deque<String> words) {
        char last = word.charAt(word.length() - 1);
        boolean bare = Character.isLetterOrDigit(last);
        Body inside = Body.EMPTY;
        if ("{".equals(words.peek())) {
            words.remove();
            inside = body(words);
            words.remove();
        }
        return new Part(
                bare ? word : word.substring(0, word.length() - 1),
                last != '?' && last != '*',
                last == '*' || last == '+',
                inside);
    }

    /**
     * The operation as {@code prefix:Name}.
     *
     * @throws SimSoapFault when it is none of the standard's, or not as the standard says
     */
    static String checked(Element operation) {
        var name = name(operation);
        var body = OPERATIONS.get(name);
        if (body == null) {
            throw NAMESPACES.containsValue(operation.getNamespaceURI())
                    ? new SimSoapFault("Receiver", "ActionNotSupported", "", name + " is not supported")
                    : new SimSoapFault("Sender", "UnknownAction", "", "Unknown namespace of " + name);
        }
        check(operation, name, body);
        return name;
    }

    private static String name(Element element) {
        var namespace = String.valueOf(element.getNamespaceURI());
        return NAMESPACES.entrySet().stream()
                        .filter(e -> e.getValue().equals(namespace))
                        .map(Map.Entry::getKey)
                        .findFirst()
                        .orElse(namespace)
                + ":" + element.getLocalName();
    }

    private static void check(Element element, String where, Body body) {
        for (var attribute : body.attributes()) {
            if (!element.hasAttribute(attribute)) {
                throw new SimSoapFault("Sender", "MissingAttr", "", attribute + " is missing at " + where);
            }
        }
        List<Element> children = new ArrayList<>();
        for (Node n = element.getFirstChild(); n != null; n = n.getNextSibling()) {
            if (n instanceof Element e) {
                children.add(e);
            }
        }
        int left = 0;
        for (var part : body.parts()) {
            int found = 0;
            for (int i = body.anyOrder() ? 0 : left; i < children.size(); i++) {
                if (name(children.get(i)).equals(part.name())) {
                    check(children.get(i), part.name(), part.body());
                    found++;
                    left++;
                } else if (!body.anyOrder()) {
                    break;
                }
            }
            if (found == 0 && part.needed() || found > 1 && !part.many()) {
                throw refused(
                        part.name() + (found == 0 ? " is missing or out of order at " : " comes twice at ") + where);
            }
        }
        if (left < children.size() && !body.open()) {
            throw refused(
                    body.anyOrder()
                            ? "something unknown at " + where
                            : name(children.get(left)) + " is unknown or out of order at " + where);
        }
    }

    private static SimSoapFault refused(String why) {
        return new SimSoapFault("Sender", "InvalidArgs", "", why);
    }
}
