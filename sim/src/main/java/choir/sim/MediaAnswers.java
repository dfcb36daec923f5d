package choir.sim;

import static choir.sim.DeviceServices.join;

import java.util.LinkedHashMap;
import java.util.Map;
import org.w3c.dom.Element;

/** Profiles, encoders and analytics. */
final class MediaAnswers {
    private final SimRecorder recorder;
    private final SimModel model;
    private final String base;

    MediaAnswers(SimRecorder recorder, String base) {
        this.recorder = recorder;
        this.model = recorder.model;
        this.base = base;
    }

    String profiles(Element operation) {
        if ("http://www.onvif.org/ver10/media/wsdl".equals(operation.getNamespaceURI())) {
            return "<trt:GetProfilesResponse>"
                    + join(recorder.channels.stream()
                            .map(c -> "<trt:Profiles token=\"P" + c.token + "\" fixed=\"true\"><tt:Name>"
                                    + Xml.escape(c.label) + "</tt:Name><tt:VideoSourceConfiguration token=\"VSC"
                                    + c.token + "\">" + source(c) + "</tt:VideoSourceConfiguration></trt:Profiles>"))
                    + "</trt:GetProfilesResponse>";
        }
        // The modest one leaves the analytics of a profile empty; its own call has them.
        return "<tr2:GetProfilesResponse>"
                + join(recorder.channels.stream()
                        .map(c -> "<tr2:Profiles token=\"P" + c.token + "\" fixed=\"true\"><tr2:Name>"
                                + Xml.escape(c.label) + "</tr2:Name><tr2:Configurations><tr2:VideoSource token=\"VSC"
                                + c.token + "\">" + source(c) + "</tr2:VideoSource><tr2:VideoEncoder token=\"VEC"
                                + c.token + "\" GovLength=\"50\" Profile=\"Main\">" + encoder(c)
                                + "</tr2:VideoEncoder><tr2:Analytics token=\"VAC" + c.token + "\">"
                                + (model.modest ? engines("", "") : engines(moduleXml(c, "tt"), ruleXml(c, "tt")))
                                + "</tr2:Analytics></tr2:Configurations></tr2:Profiles>"))
                + "</tr2:GetProfilesResponse>";
    }

    String videoSources() {
        return "<trt:GetVideoSourcesResponse>"
                + join(
                        recorder.channels.stream()
                                .map(
                                        c -> "<trt:VideoSources token=\"" + c.token + "\"><tt:Framerate>" + c.frames
                                                + "</tt:Framerate><tt:Resolution><tt:Width>1920</tt:Width><tt:Height>1080</tt:Height></tt:Resolution></trt:VideoSources>"))
                + "</trt:GetVideoSourcesResponse>";
    }

    private static String source(SimChannel c) {
        return "<tt:Name>" + Xml.escape(c.label) + "</tt:Name><tt:UseCount>2</tt:UseCount><tt:SourceToken>" + c.token
                + "</tt:SourceToken><tt:Bounds x=\"0\" y=\"0\" width=\"1920\" height=\"1080\"/>";
    }

    private static String encoder(SimChannel c) {
        return "<tt:Name>main</tt:Name><tt:UseCount>1</tt:UseCount><tt:Encoding>H264</tt:Encoding><tt:Resolution>"
                + "<tt:Width>1920</tt:Width><tt:Height>1080</tt:Height></tt:Resolution><tt:RateControl"
                + " ConstantBitRate=\"false\"><tt:FrameRateLimit>" + c.frames
                + "</tt:FrameRateLimit><tt:BitrateLimit>4096</tt:BitrateLimit></tt:RateControl><tt:Quality>4</tt:Quality>";
    }

    private static String engines(String modules, String rules) {
        return "<tt:Name>analytics</tt:Name><tt:UseCount>1</tt:UseCount><tt:AnalyticsEngineConfiguration>" + modules
                + "</tt:AnalyticsEngineConfiguration><tt:RuleEngineConfiguration>" + rules
                + "</tt:RuleEngineConfiguration>";
    }

    String analyticsConfigurations() {
        return "<tr2:GetAnalyticsConfigurationsResponse>"
                + join(recorder.channels.stream()
                        .map(c -> "<tr2:Configurations token=\"VAC" + c.token + "\">"
                                + engines(moduleXml(c, "tt"), ruleXml(c, "tt")) + "</tr2:Configurations>"))
                + "</tr2:GetAnalyticsConfigurationsResponse>";
    }

    String encoderConfigurations(Element operation) {
        var wanted = Xml.text(operation, "ConfigurationToken").orElse("");
        return "<tr2:GetVideoEncoderConfigurationsResponse>"
                + join(recorder.channels.stream()
                        .filter(c -> wanted.isEmpty() || wanted.equals("VEC" + c.token))
                        .map(c -> "<tr2:Configurations token=\"VEC" + c.token + "\" GovLength=\"50\" Profile=\"Main\">"
                                + encoder(c) + "</tr2:Configurations>"))
                + "</tr2:GetVideoEncoderConfigurationsResponse>";
    }

    String setEncoder(Element operation) {
        var configuration = Xml.first(operation, "Configuration").orElseThrow(MediaAnswers::missing);
        var channel = channel(configuration.getAttribute("token"), "VEC");
        if (!configuration.getAttribute("GovLength").equals("50")) {
            throw SimSoapFault.wrongValue("ConfigModify", "GovLength was dropped or changed");
        }
        double frames =
                Xml.text(configuration, "FrameRateLimit").map(Double::valueOf).orElseThrow(MediaAnswers::missing);
        if (frames < 1 || frames > model.mostFrames) {
            throw SimSoapFault.wrongValue("ConfigModify", "FrameRateLimit out of range");
        }
        change(() -> channel.frames = (int) frames);
        return "<tr2:SetVideoEncoderConfigurationResponse/>";
    }

    String modules(Element operation) {
        return "<tan:GetAnalyticsModulesResponse>" + moduleXml(channelOf(operation), "tan")
                + "</tan:GetAnalyticsModulesResponse>";
    }

    String rules(Element operation) {
        return "<tan:GetRulesResponse>" + ruleXml(channelOf(operation), "tan") + "</tan:GetRulesResponse>";
    }

    private String moduleXml(SimChannel c, String prefix) {
        if (model == SimModel.TERN) {
            return config(
                            prefix + ":AnalyticsModule",
                            "CellMotion",
                            "tt:CellMotionEngine",
                            item("Sensitivity", c.sensitivity)
                                    + "<tt:ElementItem Name=\"Layout\"><tt:CellLayout Columns=\"" + model.columns
                                    + "\" Rows=\"" + model.rows
                                    + "\"><tt:Transformation><tt:Translate x=\"-1.0\" y=\"1.0\"/>"
                                    + "<tt:Scale x=\"0.0909\" y=\"-0.1111\"/></tt:Transformation></tt:CellLayout></tt:ElementItem>")
                    + config(
                            prefix + ":AnalyticsModule",
                            "Switch",
                            "tern:MotionSwitch",
                            item("Enabled", c.detection) + item("Profile", "standard"))
                    + config(prefix + ":AnalyticsModule", "Storage", "tern:Storage", further(c, "Storage"))
                    + config(prefix + ":AnalyticsModule", "Response", "tern:Response", further(c, "Response"));
        }
        if (model == SimModel.PETREL) {
            return join(model.further().keySet().stream()
                    .sorted()
                    .map(m -> config(prefix + ":AnalyticsModule", m, "petrel:" + m, further(c, m))));
        }
        return config(
                        prefix + ":AnalyticsModule",
                        "Motion",
                        "gannet:Motion",
                        item("Enabled", c.detection) + item("Level", c.sensitivity) + item("Shadow", "off"))
                + config(
                        prefix + ":AnalyticsModule",
                        "Recording",
                        "gannet:Recording",
                        item("MasterSwitch", c.masterSwitch) + further(c, "Recording"))
                + config(
                        prefix + ":AnalyticsModule",
                        "Cells",
                        "tt:CellMotionEngine",
                        "<tt:ElementItem Name=\"Layout\"><tt:CellLayout Columns=\"" + model.columns + "\" Rows=\""
                                + model.rows + "\"/></tt:ElementItem>");
    }

    private String ruleXml(SimChannel c, String prefix) {
        if (model == SimModel.PETREL) {
            var ignored = item("Cells", PackedCells.write(c.cells, model.columns * model.rows));
            return config(prefix + ":Rule", "Ignore", "petrel:Ignore", ignored);
        }
        var cells = item("ActiveCells", PackedCells.write(c.cells, model.columns * model.rows));
        var items = model == SimModel.TERN
                ? item("MinCount", c.minCount)
                        + item("AlarmOnDelay", c.onDelay)
                        + item("AlarmOffDelay", c.offDelay)
                        + cells
                : cells;
        return config(prefix + ":Rule", "Motion", "tt:CellMotionDetector", items);
    }

    private static String further(SimChannel c, String module) {
        return join(c.further.entrySet().stream()
                .filter(e -> e.getKey().startsWith(module + "."))
                .map(e -> item(e.getKey().substring(module.length() + 1), Xml.escape(e.getValue()))));
    }

    /** Takes a module's further parameters; all of them must be there, and each must be one that the device knows. */
    private void takeFurther(SimChannel channel, String module, Map<String, String> items) {
        var known = model.further().getOrDefault(module, Map.of());
        known.forEach((name, rule) -> {
            requireAll(items, name);
            items.put(name, held(name, rule.getLast(), items.get(name)));
        });
        change(() -> known.keySet().forEach(name -> channel.further.put(module + "." + name, items.get(name))));
    }

    /** What the device makes of a value that it is given. */
    private String held(String name, String takes, String given) {
        for (var choice : takes.split("\\|")) {
            var ends = choice.split("\\.\\.");
            if (choice.equals("*") || choice.equals(given)) {
                return given;
            }
            if (ends.length == 2 && given.matches("-?\\d{1,9}")) {
                var held = model.held(Integer.parseInt(given), Integer.parseInt(ends[0]), Integer.parseInt(ends[1]));
                if (held.isPresent()) {
                    return Integer.toString(held.getAsInt());
                }
            }
        }
        throw SimSoapFault.wrongValue("InvalidModule", name + " does not take " + given);
    }

    private static String config(String element, String name, String type, String items) {
        return "<" + element + " Name=\"" + name + "\" Type=\"" + type + "\"><tt:Parameters>" + items
                + "</tt:Parameters></" + element + ">";
    }

    private static String item(String name, Object value) {
        return "<tt:SimpleItem Name=\"" + name + "\" Value=\"" + value + "\"/>";
    }

    String modifyModules(Element operation) {
        var channel = channelOf(operation);
        for (var module : Xml.all(operation, "AnalyticsModule")) {
            var items = items(module);
            switch (module.getAttribute("Name")) {
                case "CellMotion" -> {
                    if (!items.containsKey("Sensitivity")
                            || Xml.first(module, "CellLayout").isEmpty()) {
                        throw SimSoapFault.wrongValue("InvalidModule", "A parameter of CellMotion is missing");
                    }
                    int value = number(items.get("Sensitivity"), model.leastSensitivity, model.mostSensitivity);
                    change(() -> channel.sensitivity = value);
                }
                case "Switch" -> {
                    requireAll(items, "Enabled", "Profile");
                    change(() -> channel.detection = truth(items.get("Enabled")));
                }
                case "Motion" -> {
                    if (model == SimModel.PETREL) {
                        takeFurther(channel, "Motion", items);
                        continue;
                    }
                    requireAll(items, "Enabled", "Level", "Shadow");
                    int value = number(items.get("Level"), model.leastSensitivity, model.mostSensitivity);
                    change(() -> {
                        channel.detection = truth(items.get("Enabled"));
                        channel.sensitivity = value;
                    });
                }
                case "Recording" -> {
                    requireAll(items, "MasterSwitch");
                    takeFurther(channel, "Recording", items);
                    change(() -> channel.masterSwitch = truth(items.get("MasterSwitch")));
                }
                case "Storage", "Response" -> takeFurther(channel, module.getAttribute("Name"), items);
                default -> throw new SimSoapFault("Sender", "InvalidArgs", "NameNotExistent", "No such module");
            }
        }
        return "<tan:ModifyAnalyticsModulesResponse/>";
    }

    String modifyRules(Element operation) {
        var channel = channelOf(operation);
        for (var rule : Xml.all(operation, "Rule")) {
            var items = items(rule);
            if (model == SimModel.PETREL) {
                requireAll(items, "Cells");
                var ignored = PackedCells.read(items.get("Cells"), model.columns * model.rows);
                change(() -> channel.cells = ignored);
                continue;
            }
            if (!rule.getAttribute("Name").equals("Motion")) {
                throw new SimSoapFault("Sender", "InvalidArgs", "RuleNotExistent", "No such rule");
            }
            if (model == SimModel.TERN) {
                requireAll(items, "MinCount", "AlarmOnDelay", "AlarmOffDelay");
            }
            int count = number(items.getOrDefault("MinCount", "20"), 1, model.columns * model.rows);
            var cells = PackedCells.read(items.getOrDefault("ActiveCells", ""), model.columns * model.rows);
            int onDelay = number(items.getOrDefault("AlarmOnDelay", "0"), 0, 10_000);
            int offDelay = number(items.getOrDefault("AlarmOffDelay", "0"), 0, 60_000);
            change(() -> {
                channel.minCount = count;
                channel.onDelay = onDelay;
                channel.offDelay = offDelay;
                channel.cells = cells;
            });
        }
        return "<tan:ModifyRulesResponse/>";
    }

    String moduleOptions() {
        var options = switch (model) {
            case TERN -> option("tt:CellMotionEngine", "Sensitivity", 0, 100);
            case GANNET -> option("gannet:Motion", "Level", 1, 6);
            case PETREL ->
                option("petrel:Motion", "Sensitivity", 0, 255) + option("petrel:Motion", "Pixels", 1, 20_000);
        };
        return "<tan:GetAnalyticsModuleOptionsResponse>" + options + "</tan:GetAnalyticsModuleOptionsResponse>";
    }

    private static String option(String module, String name, int min, int max) {
        return "<tan:Options AnalyticsModule=\"" + module + "\" Name=\"" + name + "\" Type=\"tt:IntRange\">"
                + range(min, max) + "</tan:Options>";
    }

    String ruleOptions() {
        return "<tan:GetRuleOptionsResponse>"
                + (model == SimModel.TERN
                        ? "<tan:RuleOptions RuleType=\"tt:CellMotionDetector\" Name=\"MinCount\" Type=\"tt:IntRange\">"
                                + range(1, model.columns * model.rows) + "</tan:RuleOptions>"
                        : "")
                + "</tan:GetRuleOptionsResponse>";
    }

    private static String range(int min, int max) {
        return "<tt:IntRange><tt:Min>" + min + "</tt:Min><tt:Max>" + max + "</tt:Max></tt:IntRange>";
    }

    private void change(Runnable act) {
        recorder.writes.incrementAndGet();
        if (recorder.fault != SimFault.FORGETS) {
            act.run();
            recorder.save();
        }
    }

    private SimChannel channelOf(Element operation) {
        return channel(Xml.text(operation, "ConfigurationToken").orElse(""), "VAC");
    }

    private SimChannel channel(String token, String prefix) {
        return recorder.channels.stream()
                .filter(c -> token.equals(prefix + c.token))
                .findFirst()
                .orElseThrow(() -> SimSoapFault.wrongValue("NoConfig", "No such configuration: " + token));
    }

    private static Map<String, String> items(Element config) {
        Map<String, String> items = new LinkedHashMap<>();
        Xml.all(config, "SimpleItem").forEach(i -> items.put(i.getAttribute("Name"), i.getAttribute("Value")));
        return items;
    }

    private static void requireAll(Map<String, String> items, String... names) {
        for (var name : names) {
            if (!items.containsKey(name)) {
                throw SimSoapFault.wrongValue("InvalidRule", "The parameter " + name + " is missing");
            }
        }
    }

    private static int number(String text, int min, int max) {
        try {
            int value = Integer.parseInt(text);
            if (value >= min && value <= max) {
                return value;
            }
        } catch (NumberFormatException e) {
            // Falls through to the refusal.
        }
        throw SimSoapFault.wrongValue("InvalidRule", "The value " + text + " is not " + min + " to " + max);
    }

    private static boolean truth(String text) {
        return text.equals("true") || text.equals("1");
    }

    private static SimSoapFault missing() {
        return SimSoapFault.wrongValue("ConfigModify", "A part of the configuration is missing");
    }
}
