package choir.sim;

import static choir.sim.DeviceServices.join;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.w3c.dom.Element;

/** Analytics modules and rules: reading, writing, and what they take. */
final class AnalyticsAnswers {
    private final SimRecorder recorder;
    private final SimModel model;

    AnalyticsAnswers(SimRecorder recorder) {
        this.recorder = recorder;
        this.model = recorder.model;
    }

    String modules(SimChannel channel, String prefix) {
        return parts(model.modules(), prefix + ":AnalyticsModule", channel);
    }

    String rules(SimChannel channel, String prefix) {
        return parts(model.rules(), prefix + ":Rule", channel);
    }

    private String parts(List<SimPart> parts, String element, SimChannel channel) {
        return join(parts.stream().map(p -> p.xml(element, channel.values, model)));
    }

    String getModules(Element operation) {
        return "<tan:GetAnalyticsModulesResponse>" + modules(channelOf(operation), "tan")
                + "</tan:GetAnalyticsModulesResponse>";
    }

    String getRules(Element operation) {
        return "<tan:GetRulesResponse>" + rules(channelOf(operation), "tan") + "</tan:GetRulesResponse>";
    }

    String modifyModules(Element operation) {
        modify(operation, model.modules(), "AnalyticsModule");
        return "<tan:ModifyAnalyticsModulesResponse/>";
    }

    String modifyRules(Element operation) {
        modify(operation, model.rules(), "Rule");
        return "<tan:ModifyRulesResponse/>";
    }

    /** All parts of a request are taken, or none. */
    private void modify(Element operation, List<SimPart> parts, String element) {
        var channel = channelOf(operation);
        Map<String, String> held = new TreeMap<>();
        for (var given : Xml.all(operation, element)) {
            held.putAll(SimModel.part(parts, given.getAttribute("Name")).taken(given, model));
        }
        held.replaceAll((item, value) -> recorder.quirks.containsKey(item)
                ? new SimParameter(value, recorder.quirks.get(item))
                        .held(value, true, model.cells())
                        .orElse(value)
                : value);
        recorder.change(channel, () -> channel.values.putAll(held));
    }

    String supportedModules(Element operation) {
        var _ = channelOf(operation);
        return "<tan:GetSupportedAnalyticsModulesResponse><tan:SupportedAnalyticsModules Limit=\""
                + model.modules().size() + "\">"
                + join(model.modules().stream().map(p -> described(p, "tt:AnalyticsModuleDescription", "")))
                + "</tan:SupportedAnalyticsModules></tan:GetSupportedAnalyticsModulesResponse>";
    }

    String supportedRules(Element operation) {
        var _ = channelOf(operation);
        return "<tan:GetSupportedRulesResponse><tan:SupportedRules Limit=\""
                + model.rules().size() + "\">"
                + join(model.rules().stream()
                        .map(p -> described(
                                p,
                                "tt:RuleDescription",
                                p.type().equals("tt:CellMotionDetector") ? EventAnswers.MOTION_DESCRIPTION : "")))
                + "</tan:SupportedRules></tan:GetSupportedRulesResponse>";
    }

    private static String described(SimPart part, String element, String messages) {
        return "<" + element + " Name=\"" + part.type() + "\" fixed=\"true\" maxInstances=\"1\"><tt:Parameters>"
                + join(part.parameters().entrySet().stream()
                        .map(p -> "<tt:SimpleItemDescription Name=\"" + p.getKey() + "\" Type=\""
                                + (p.getValue().range().isPresent() ? "xs:integer" : "xs:string") + "\"/>"))
                + (part.layout() ? "<tt:ElementItemDescription Name=\"Layout\" Type=\"tt:CellLayout\"/>" : "")
                + "</tt:Parameters>" + messages + "</" + element + ">";
    }

    String moduleOptions() {
        return "<tan:GetAnalyticsModuleOptionsResponse>"
                + join(options(model.modules(), "tan:Options", "AnalyticsModule"))
                + "</tan:GetAnalyticsModuleOptionsResponse>";
    }

    String ruleOptions() {
        return "<tan:GetRuleOptionsResponse>" + join(options(model.rules(), "tan:RuleOptions", "RuleType"))
                + "</tan:GetRuleOptionsResponse>";
    }

    private static Stream<String> options(List<SimPart> parts, String element, String owner) {
        return parts.stream()
                .flatMap(part -> part.parameters().entrySet().stream()
                        .flatMap(p -> p.getValue().range().stream()
                                .map(ends ->
                                        "<" + element + " " + owner + "=\"" + part.type() + "\" Name=\"" + p.getKey()
                                                + "\" Type=\"tt:IntRange\"><tt:IntRange><tt:Min>" + ends[0]
                                                + "</tt:Min><tt:Max>"
                                                + ends[1] + "</tt:Max></tt:IntRange></" + element + ">")));
    }

    private SimChannel channelOf(Element operation) {
        var token = Xml.text(operation, "ConfigurationToken").orElse("");
        return recorder.channels.stream()
                .filter(c -> token.equals("VAC" + c.place))
                .findFirst()
                .orElseThrow(() -> SimSoapFault.wrongValue("NoConfig", "No such configuration: " + token));
    }
}
