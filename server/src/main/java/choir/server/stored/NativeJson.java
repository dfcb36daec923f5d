package choir.server.stored;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.area.Enclosure.Corner;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Zone;
import choir.policy.SettingKey;
import choir.scale.NativeScalar;
import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.SpecialDate;
import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Native values and configurations. Equal values have equal text, since it is stored once for each hash. */
public final class NativeJson {
    private static final int VERSION = 1;

    private NativeJson() {}

    public static String write(NativeConfig config) {
        var values = Json.object();
        config.values().forEach((key, value) -> values.set(key.text(), node(value)));
        var object = Json.versioned(VERSION);
        object.set("values", values);
        return Json.text(object);
    }

    /** @throws Json.UnreadableException when it is none of ours */
    public static NativeConfig config(String text) {
        return Json.read(text, VERSION, node -> {
            Map<SettingKey, NativeValue> values = new TreeMap<>();
            Json.field(node, "values")
                    .properties()
                    .forEach(e -> values.put(new SettingKey(e.getKey()), value(e.getValue())));
            return new NativeConfig(values);
        });
    }

    public static String write(NativeValue value) {
        var object = Json.versioned(VERSION);
        object.set("value", node(value));
        return Json.text(object);
    }

    /** @throws Json.UnreadableException when it is none of ours */
    public static NativeValue value(String text) {
        return Json.read(text, VERSION, node -> value(Json.field(node, "value")));
    }

    static ObjectNode node(NativeValue value) {
        var object = Json.object();
        switch (value) {
            case NativeValue.Flag(boolean on) -> object.put("flag", on);
            case NativeValue.Single(var scalar) -> put(object, scalar);
            case NativeValue.PerArea(var values) -> {
                var each = object.putArray("each");
                values.forEach(v -> put(each.addObject(), v));
            }
            case NativeValue.Mask(var mask) ->
                object.putObject("cells")
                        .put("columns", mask.grid().columns())
                        .put("rows", mask.grid().rows())
                        .put("packed", mask.packed());
            case NativeValue.Hours(var week) -> runs(object.putArray("week"), week, NativeJson::put);
            case NativeValue.Levels(var week) -> runs(object.putArray("levels"), week, NativeJson::put);
            case NativeValue.Zones(var zones) -> {
                var all = object.putArray("zones");
                zones.forEach(z -> zone(all.addObject(), z));
            }
            case NativeValue.SpecialDays(var days) -> {
                var all = object.putArray("days");
                days.forEach(d -> day(all.addObject(), d));
            }
        }
        return object;
    }

    private static void put(ObjectNode object, NativeScalar scalar) {
        switch (scalar) {
            case NativeScalar.Number(var number) -> object.put("number", number);
            case NativeScalar.Word(var word) -> object.put("word", word);
        }
    }

    private static void put(ObjectNode object, TriggerSet triggers) {
        var names = object.putArray("triggers");
        triggers.members().stream().sorted().forEach(t -> names.add(t.name()));
    }

    private interface Put<V> {
        void into(ObjectNode object, V value);
    }

    private static <V> void runs(ArrayNode array, Week<V> week, Put<V> put) {
        for (var run : week.runs()) {
            put.into(array.addObject().put("from", run.from()).put("to", run.to()), run.value());
        }
    }

    private static void zone(ObjectNode object, Zone zone) {
        var corners = object.put("title", zone.title()).putArray("corners");
        zone.corners().forEach(c -> corners.addObject().put("x", c.x()).put("y", c.y()));
    }

    private static void day(ObjectNode object, SpecialDay day) {
        var dates = object.put("calendar", day.calendar()).putArray("dates");
        day.dates().dates().forEach(d -> dates.add(d.toString()));
        runs(object.putArray("plan"), day.plan().day(), NativeJson::put);
    }

    static NativeValue value(JsonNode node) {
        if (node.has("flag")) {
            return new NativeValue.Flag(node.get("flag").asBoolean());
        }
        if (node.has("each")) {
            return new NativeValue.PerArea(Json.list(node.get("each"), NativeJson::scalar));
        }
        if (node.has("cells")) {
            return new NativeValue.Mask(mask(node.get("cells")));
        }
        if (node.has("week")) {
            return new NativeValue.Hours(week(node.get("week"), NativeJson::triggers));
        }
        if (node.has("levels")) {
            return new NativeValue.Levels(week(node.get("levels"), NativeJson::scalar));
        }
        if (node.has("zones")) {
            return new NativeValue.Zones(Json.list(node.get("zones"), NativeJson::zone));
        }
        if (node.has("days")) {
            return new NativeValue.SpecialDays(Json.list(node.get("days"), NativeJson::day));
        }
        return new NativeValue.Single(scalar(node));
    }

    private static NativeScalar scalar(JsonNode node) {
        return node.has("number")
                ? new NativeScalar.Number(node.get("number").decimalValue())
                : new NativeScalar.Word(Json.string(node, "word"));
    }

    private static CellMask mask(JsonNode node) {
        var grid = new CellGrid(
                Json.field(node, "columns").asInt(), Json.field(node, "rows").asInt());
        return CellMask.unpack(grid, Json.string(node, "packed"));
    }

    private static <V> Week<V> week(JsonNode runs, Function<JsonNode, V> value) {
        List<Week.Run<V>> all = Json.list(
                runs,
                r -> new Week.Run<>(
                        Json.field(r, "from").asInt(), Json.field(r, "to").asInt(), value.apply(r)));
        return Week.of(all);
    }

    private static TriggerSet triggers(JsonNode node) {
        var members = EnumSet.noneOf(Trigger.class);
        Json.field(node, "triggers").forEach(t -> members.add(Trigger.valueOf(t.asString())));
        return new TriggerSet(members);
    }

    private static Zone zone(JsonNode node) {
        return new Zone(
                Json.string(node, "title"),
                Json.list(
                        Json.field(node, "corners"),
                        c -> new Corner(
                                Json.field(c, "x").asInt(), Json.field(c, "y").asInt())));
    }

    private static SpecialDay day(JsonNode node) {
        var dates = Json.list(Json.field(node, "dates"), d -> SpecialDate.parse(d.asString()));
        return new SpecialDay(
                Json.string(node, "calendar"),
                new DateSet(dates),
                new DayPlan(week(Json.field(node, "plan"), NativeJson::triggers)));
    }
}
