package choir.sim;

import static choir.sim.DeviceServices.join;

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
        if ("http://www.onvif.org/ver10/media/wsdl".equals(operation.getNamespaceURI())) {
            return "<trt:GetProfilesResponse>"
                    + join(recorder.channels.stream()
                            .map(c -> "<trt:Profiles token=\"P" + c.place + "\" fixed=\"true\"><tt:Name>"
                                    + Xml.escape(c.label) + "</tt:Name><tt:VideoSourceConfiguration token=\"VSC"
                                    + c.place + "\">" + source(c) + "</tt:VideoSourceConfiguration></trt:Profiles>"))
                    + "</trt:GetProfilesResponse>";
        }
        // The modest one leaves the analytics of a profile empty; its own call has them.
        return "<tr2:GetProfilesResponse>"
                + join(recorder.channels.stream()
                        .map(c -> "<tr2:Profiles token=\"P" + c.place + "\" fixed=\"true\"><tr2:Name>"
                                + Xml.escape(c.label) + "</tr2:Name><tr2:Configurations><tr2:VideoSource token=\"VSC"
                                + c.place + "\">" + source(c) + "</tr2:VideoSource><tr2:VideoEncoder token=\"VEC"
                                + c.place + "\" GovLength=\"50\" Profile=\"Main\">" + encoder(c)
                                + "</tr2:VideoEncoder><tr2:Analytics token=\"VAC" + c.place + "\">"
                                + (model.modest()
                                        ? engines("", "")
                                        : engines(analytics.modules(c, "tt"), analytics.rules(c, "tt")))
                                + "</tr2:Analytics></tr2:Configurations></tr2:Profiles>"))
                + "</tr2:GetProfilesResponse>";
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
                        .map(c -> "<tr2:Configurations token=\"VAC" + c.place + "\">"
                                + engines(analytics.modules(c, "tt"), analytics.rules(c, "tt"))
                                + "</tr2:Configurations>"))
                + "</tr2:GetAnalyticsConfigurationsResponse>";
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

    String setEncoder(Element operation) {
        var configuration = Xml.first(operation, "Configuration").orElseThrow(MediaAnswers::missing);
        var channel = channel(configuration.getAttribute("token"), "VEC");
        if (!configuration.getAttribute("GovLength").equals("50")) {
            throw SimSoapFault.wrongValue("ConfigModify", "GovLength was dropped or changed");
        }
        double frames =
                Xml.text(configuration, "FrameRateLimit").map(Double::valueOf).orElseThrow(MediaAnswers::missing);
        if (frames < 1 || frames > model.mostFrames()) {
            throw SimSoapFault.wrongValue("ConfigModify", "FrameRateLimit out of range");
        }
        recorder.change(channel, () -> channel.frames = (int) frames);
        return "<tr2:SetVideoEncoderConfigurationResponse/>";
    }

    /** Where a still of the channel is to be had, by an ordinary request. */
    String snapshotAddress(Element operation) {
        var channel = channel(Xml.text(operation, "ProfileToken").orElse(""), "P");
        return "<tr2:GetSnapshotUriResponse><tr2:Uri>" + base + "/still/" + channel.place
                + "</tr2:Uri></tr2:GetSnapshotUriResponse>";
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
