package choir.sim;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.w3c.dom.Element;

/**
 * An analytics module or rule of a simulated make.
 *
 * @param layout it also carries the layout of the cells, which a client has to send back
 */
record SimPart(String name, String type, boolean layout, Map<String, SimParameter> parameters) {
    String key(String parameter) {
        return name + "." + parameter;
    }

    /** The configuration of one channel, as that element. */
    String xml(String element, Map<String, String> values, SimModel model) {
        var items = parameters.keySet().stream()
                .map(p -> "<tt:SimpleItem Name=\"" + p + "\" Value=\"" + Xml.escape(values.getOrDefault(key(p), ""))
                        + "\"/>")
                .collect(Collectors.joining());
        var cells = layout
                ? "<tt:ElementItem Name=\"Layout\"><tt:CellLayout Columns=\"" + model.columns() + "\" Rows=\""
                        + model.rows()
                        + "\"><tt:Transformation><tt:Translate x=\"-1.0\" y=\"1.0\"/><tt:Scale x=\"0.0909\" y=\"-0.1111\"/>"
                        + "</tt:Transformation></tt:CellLayout></tt:ElementItem>"
                : "";
        return "<" + element + " Name=\"" + name + "\" Type=\"" + type + "\"><tt:Parameters>" + items + cells
                + "</tt:Parameters></" + element + ">";
    }

    /**
     * What the channel holds after it was given that configuration. All parameters have to be there, since a client
     * that drops what it does not know would lose it.
     */
    Map<String, String> taken(Element given, SimModel model) {
        if (layout && Xml.first(given, "CellLayout").isEmpty()) {
            throw SimSoapFault.wrongValue("InvalidModule", "The layout of " + name + " is missing");
        }
        Map<String, String> items = new LinkedHashMap<>();
        Xml.all(given, "SimpleItem").forEach(i -> items.put(i.getAttribute("Name"), i.getAttribute("Value")));
        Map<String, String> held = new TreeMap<>();
        parameters.forEach((parameter, rule) -> {
            var value = items.get(parameter);
            if (value == null) {
                throw SimSoapFault.wrongValue("InvalidRule", "The parameter " + parameter + " is missing");
            }
            held.put(
                    key(parameter),
                    rule.held(value, model.clamps(), model.cells())
                            .orElseThrow(() ->
                                    SimSoapFault.wrongValue("InvalidRule", parameter + " does not take " + value)));
        });
        return held;
    }

    /** What these parameters hold when they leave the factory. */
    Map<String, String> factory(SimModel model) {
        Map<String, String> values = new TreeMap<>();
        parameters.forEach((parameter, rule) -> values.put(key(parameter), factory(rule, model)));
        return values;
    }

    private static String factory(SimParameter rule, SimModel model) {
        if (!rule.takes().equals("cells")) {
            return rule.factory();
        }
        var bits = new java.util.BitSet();
        bits.set(0, rule.factory().equals("all") ? model.cells() : 0);
        return PackedCells.write(bits, model.cells());
    }
}
