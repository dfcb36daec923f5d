package choir.server.stored;

import choir.drift.Check;
import choir.drift.Matter;
import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.policy.SettingKey;
import choir.policy.TemplateName;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What a finding is about. Equal matters have equal text, so that a column of them can be unique. */
public final class MatterJson {
    private static final int VERSION = 1;

    private MatterJson() {}

    public static String write(Matter matter) {
        var object = Json.versioned(VERSION).put("about", matter.about());
        switch (matter) {
            case Matter.Value(var key) -> object.put("key", key.text());
            case Matter.AreaWithoutShape(var area) -> object.put("area", area);
            case Matter.Blocked(var key, var at, var template) -> {
                object.put("key", key.text());
                node(object, at);
                template.ifPresent(t -> object.put("template", t.text()));
            }
            case Matter.Expired(var key, var at) -> {
                object.put("key", key.text());
                node(object, at);
            }
            case Matter.Unsound(var check, boolean asked) ->
                object.put("check", check.name()).put("asked", asked);
            case Matter.Outlier(var key) -> object.put("key", key.text());
            case Matter.OfActivity a -> {}
            case Matter.Reset r -> {}
            case Matter.OtherOrder o -> {}
            case Matter.Gone g -> {}
            case Matter.OddAnswer a -> {}
            case Matter.AnotherDevice d -> {}
            case Matter.OtherCertificate c -> {}
            case Matter.Firmware f -> {}
            case Matter.NotRead n -> {}
            case Matter.OtherRanges o -> {}
            case Matter.Clock c -> {}
            case Matter.Zone z -> {}
            case Matter.NotUnderstood n -> throw new IllegalArgumentException("what was not understood is not stored");
        }
        return Json.text(object);
    }

    private static void node(ObjectNode object, Node node) {
        switch (node) {
            case Node.Group g -> object.put("group", g.text());
            case Node.Camera c ->
                object.putObject("camera").put("recorder", c.recorder().text()).put("channel", c.channel());
        }
    }

    /** @throws Json.UnreadableException when it is none of ours */
    public static Matter read(String text) {
        return Json.read(text, VERSION, node -> switch (Json.string(node, "about")) {
            case "value" -> new Matter.Value(key(node));
            case "area-without-shape" -> new Matter.AreaWithoutShape(Json.string(node, "area"));
            case "blocked" ->
                new Matter.Blocked(
                        key(node),
                        node(node),
                        Optional.ofNullable(node.get("template")).map(t -> new TemplateName(t.asString())));
            case "expired" -> new Matter.Expired(key(node), node(node));
            case "unsound" ->
                new Matter.Unsound(
                        Check.valueOf(Json.string(node, "check")),
                        Json.field(node, "asked").asBoolean());
            case "outlier" -> new Matter.Outlier(key(node));
            case "not-recorded" -> new Matter.NotRecorded();
            case "kept-short" -> new Matter.KeptShort();
            case "never-triggers" -> new Matter.NeverTriggers();
            case "no-picture" -> new Matter.NoPicture();
            case "always-triggers" -> new Matter.AlwaysTriggers();
            case "reset" -> new Matter.Reset();
            case "other-order" -> new Matter.OtherOrder();
            case "gone" -> new Matter.Gone();
            case "odd-answer" -> new Matter.OddAnswer();
            case "another-device" -> new Matter.AnotherDevice();
            case "other-certificate" -> new Matter.OtherCertificate();
            case "firmware" -> new Matter.Firmware();
            case "not-read" -> new Matter.NotRead();
            case "other-ranges" -> new Matter.OtherRanges();
            case "clock" -> new Matter.Clock();
            case "zone" -> new Matter.Zone();
            default -> throw new Json.UnreadableException("nothing is known of " + node.get("about"));
        });
    }

    private static SettingKey key(JsonNode node) {
        return new SettingKey(Json.string(node, "key"));
    }

    private static Node node(JsonNode node) {
        if (node.has("group")) {
            return new Node.Group(Json.string(node, "group"));
        }
        var camera = Json.field(node, "camera");
        return new Node.Camera(new RecorderName(Json.string(camera, "recorder")), Json.string(camera, "channel"));
    }
}
