package choir.sim;

import static choir.sim.DeviceServices.join;

import java.util.List;
import org.w3c.dom.Element;

/** Profiles, encoders and pictures. */
final class MediaAnswers {
    private final SimRecorder recorder;
    private final SimModel model;
    private final String base;
    private final AnalyticsAnswers analytics;

    MediaAnswers(SimRecorder recorder, String base) {
        this.recorder = recorder;
        this.model = recorder.model;
        this.base = base;
        this.analytics = new AnalyticsAnswers(recorder);
    }

    String profiles(Element operation) {
        var wanted = Xml.all(operation, "Type").stream()
                .map(e -> e.getTextContent().strip())
                .toList();
        var token = Xml.text(operation, "Token").orElse("");
        return "<tr2:GetProfilesResponse>"
                + join(recorder.channels.stream()
                        .filter(c -> token.isEmpty() || token.equals("P" + c.place))
                        .map(c -> profile(c, wanted)))
                + "</tr2:GetProfilesResponse>";
    }

    /** Without a type asked for only what it is called. */
    private String profile(SimChannel c, List<String> wanted) {
        var parts = new StringBuilder();
        if (wants(wanted, "VideoSource")) {
            parts.append("<tr2:VideoSource token=\"VSC" + c.place + "\">" + source(c) + "</tr2:VideoSource>");
        }
        if (wants(wanted, "VideoEncoder")) {
            parts.append("<tr2:VideoEncoder token=\"VEC" + c.place + "\" GovLength=\"50\" Profile=\"Main\">"
                    + encoder(c) + "</tr2:VideoEncoder>");
        }
        if (wants(wanted, "Analytics")) {
            // The modest one leaves the analytics of a profile empty; its own call has them.
            parts.append(
                    "<tr2:Analytics token=\"VAC" + c.place + "\">" + engines(c, !model.modest()) + "</tr2:Analytics>");
        }
        return "<tr2:Profiles token=\"P" + c.place + "\" fixed=\"true\"><tr2:Name>" + Xml.escape(c.label)
                + "</tr2:Name>"
                + (parts.isEmpty() ? "" : "<tr2:Configurations>" + parts + "</tr2:Configurations>")
                + "</tr2:Profiles>";
    }

    private static boolean wants(List<String> wanted, String type) {
        return wanted.contains("All") || wanted.contains(type);
    }

    private String engines(SimChannel c, boolean filled) {
        return filled ? engines(analytics.modules(c, "tt"), analytics.rules(c, "tt")) : engines("", "");
    }

    /** As the first media service has them. */
    String firstProfiles() {
        return "<trt:GetProfilesResponse>" + join(recorder.channels.stream().map(c -> first(c, "Profiles")))
                + "</trt:GetProfilesResponse>";
    }

    String firstProfile(Element operation) {
        var channel = channel(Xml.text(operation, "ProfileToken").orElse(""), "P");
        return "<trt:GetProfileResponse>" + first(channel, "Profile") + "</trt:GetProfileResponse>";
    }

    private String first(SimChannel c, String element) {
        return "<trt:" + element + " token=\"P" + c.place + "\" fixed=\"true\"><tt:Name>" + Xml.escape(c.label)
                + "</tt:Name><tt:VideoSourceConfiguration token=\"VSC" + c.place + "\">" + source(c)
                + "</tt:VideoSourceConfiguration><tt:VideoEncoderConfiguration token=\"VEC" + c.place + "\">"
                + firstEncoder(c) + "</tt:VideoEncoderConfiguration><tt:VideoAnalyticsConfiguration token=\"VAC"
                + c.place + "\">" + engines(c, !model.modest()) + "</tt:VideoAnalyticsConfiguration></trt:" + element
                + ">";
    }

    private static String firstEncoder(SimChannel c) {
        return "<tt:Name>main</tt:Name><tt:UseCount>1</tt:UseCount><tt:Encoding>H264</tt:Encoding><tt:Resolution>"
                + "<tt:Width>1920</tt:Width><tt:Height>1080</tt:Height></tt:Resolution><tt:Quality>4</tt:Quality>"
                + "<tt:RateControl><tt:FrameRateLimit>" + c.frames + "</tt:FrameRateLimit><tt:EncodingInterval>1"
                + "</tt:EncodingInterval><tt:BitrateLimit>" + c.mostBits() / 1_000
                + "</tt:BitrateLimit></tt:RateControl><tt:H264><tt:GovLength>50"
                + "</tt:GovLength><tt:H264Profile>Main</tt:H264Profile></tt:H264><tt:Multicast><tt:Address><tt:Type>IPv4"
                + "</tt:Type><tt:IPv4Address>0.0.0.0</tt:IPv4Address></tt:Address><tt:Port>0</tt:Port><tt:TTL>1</tt:TTL>"
                + "<tt:AutoStart>false</tt:AutoStart></tt:Multicast><tt:SessionTimeout>PT60S</tt:SessionTimeout>";
    }

    String firstEncoderConfigurations() {
        return "<trt:GetVideoEncoderConfigurationsResponse>"
                + join(recorder.channels.stream()
                        .map(c -> "<trt:Configurations token=\"VEC" + c.place + "\">" + firstEncoder(c)
                                + "</trt:Configurations>"))
                + "</trt:GetVideoEncoderConfigurationsResponse>";
    }

    String sourceConfigurations(String prefix, Element operation) {
        var wanted = Xml.text(operation, "ConfigurationToken").orElse("");
        return "<" + prefix + ":GetVideoSourceConfigurationsResponse>"
                + join(recorder.channels.stream()
                        .filter(c -> wanted.isEmpty() || wanted.equals("VSC" + c.place))
                        .map(c -> "<" + prefix + ":Configurations token=\"VSC" + c.place + "\">" + source(c) + "</"
                                + prefix + ":Configurations>"))
                + "</" + prefix + ":GetVideoSourceConfigurationsResponse>";
    }

    String videoSources() {
        return "<trt:GetVideoSourcesResponse>"
                + join(
                        recorder.channels.stream()
                                .map(
                                        c -> "<trt:VideoSources token=\"" + Xml.escape(c.token) + "\"><tt:Framerate>"
                                                + c.frames
                                                + "</tt:Framerate><tt:Resolution><tt:Width>1920</tt:Width><tt:Height>1080</tt:Height></tt:Resolution></trt:VideoSources>"))
                + "</trt:GetVideoSourcesResponse>";
    }

    private static String source(SimChannel c) {
        return "<tt:Name>" + Xml.escape(c.label) + "</tt:Name><tt:UseCount>2</tt:UseCount><tt:SourceToken>"
                + Xml.escape(c.token)
                + "</tt:SourceToken><tt:Bounds x=\"0\" y=\"0\" width=\"1920\" height=\"1080\"/>";
    }

    private static String encoder(SimChannel c) {
        return "<tt:Name>main</tt:Name><tt:UseCount>1</tt:UseCount><tt:Encoding>H264</tt:Encoding><tt:Resolution>"
                + "<tt:Width>1920</tt:Width><tt:Height>1080</tt:Height></tt:Resolution><tt:RateControl"
                + " ConstantBitRate=\"false\"><tt:FrameRateLimit>" + c.frames
                + "</tt:FrameRateLimit><tt:BitrateLimit>" + c.mostBits() / 1_000
                + "</tt:BitrateLimit></tt:RateControl><tt:Quality>4</tt:Quality>";
    }

    private static String engines(String modules, String rules) {
        return "<tt:Name>analytics</tt:Name><tt:UseCount>1</tt:UseCount><tt:AnalyticsEngineConfiguration>" + modules
                + "</tt:AnalyticsEngineConfiguration><tt:RuleEngineConfiguration>" + rules
                + "</tt:RuleEngineConfiguration>";
    }

    /** @param asked by which of the two media services */
    String analyticsConfigurations(String asked) {
        var prefix = asked.substring(0, asked.indexOf(':'));
        return "<" + asked + "Response>"
                + join(recorder.channels.stream()
                        .map(c -> "<" + prefix + ":Configurations token=\"VAC" + c.place + "\">" + engines(c, true)
                                + "</" + prefix + ":Configurations>"))
                + "</" + asked + "Response>";
    }

    String encoderConfigurations(Element operation) {
        var wanted = Xml.text(operation, "ConfigurationToken").orElse("");
        return "<tr2:GetVideoEncoderConfigurationsResponse>"
                + join(recorder.channels.stream()
                        .filter(c -> wanted.isEmpty() || wanted.equals("VEC" + c.place))
                        .map(c -> "<tr2:Configurations token=\"VEC" + c.place + "\" GovLength=\"50\" Profile=\"Main\">"
                                + encoder(c) + "</tr2:Configurations>"))
                + "</tr2:GetVideoEncoderConfigurationsResponse>";
    }

    String setEncoder(String prefix, Element operation) {
        var configuration = Xml.first(operation, "Configuration").orElseThrow(MediaAnswers::missing);
        var channel = channel(configuration.getAttribute("token"), "VEC");
        var pictures = prefix.equals("tr2")
                ? configuration.getAttribute("GovLength")
                : Xml.text(configuration, "GovLength").orElse("");
        if (!pictures.equals("50")) {
            throw SimSoapFault.wrongValue("ConfigModify", "GovLength was dropped or changed");
        }
        double frames =
                Xml.text(configuration, "FrameRateLimit").map(Double::valueOf).orElseThrow(MediaAnswers::missing);
        if (frames < 1 || frames > model.mostFrames()) {
            throw SimSoapFault.wrongValue("ConfigModify", "FrameRateLimit out of range");
        }
        recorder.change(channel, () -> channel.frames = (int) frames);
        return "<" + prefix + ":SetVideoEncoderConfigurationResponse/>";
    }

    /** Where a still of the channel is to be had by an ordinary request, or its stream. */
    String address(String prefix, String asked, Element operation) {
        var channel = channel(Xml.text(operation, "ProfileToken").orElse(""), "P");
        var address = asked.equals("GetSnapshotUri")
                ? base + "/still/" + channel.place
                : recorder.streams() + "/stream/" + channel.place;
        return "<" + prefix + ":" + asked + "Response>"
                + (prefix.equals("tr2")
                        ? "<tr2:Uri>" + address + "</tr2:Uri>"
                        : "<trt:MediaUri><tt:Uri>" + address + "</tt:Uri><tt:InvalidAfterConnect>false"
                                + "</tt:InvalidAfterConnect><tt:InvalidAfterReboot>false</tt:InvalidAfterReboot>"
                                + "<tt:Timeout>PT0S</tt:Timeout></trt:MediaUri>")
                + "</" + prefix + ":" + asked + "Response>";
    }

    private SimChannel channel(String token, String prefix) {
        return recorder.channels.stream()
                .filter(c -> token.equals(prefix + c.place))
                .findFirst()
                .orElseThrow(() -> SimSoapFault.wrongValue("NoConfig", "No such configuration: " + token));
    }

    private static SimSoapFault missing() {
        return SimSoapFault.wrongValue("ConfigModify", "A part of the configuration is missing");
    }
}
