package choir.server.migration;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Zone;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.policy.SettingType;
import choir.refusal.Refusal;
import choir.rollout.Change;
import choir.scale.NativeScalar;
import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import choir.week.WeekText;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Facts as the first release stored them: joined by tabs, bars and carets. Only the migration reads them, so this stays as
 * it is.
 */
final class OldFacts {
    private static final Pattern MASK = Pattern.compile("(\\d{1,4})x(\\d{1,4}):(.*)", Pattern.DOTALL);

    private OldFacts() {}

    /** @throws Refusal when it cannot be understood */
    static NativeConfig config(String stored) {
        Map<SettingKey, NativeValue> values = new TreeMap<>();
        stored.lines().forEach(line -> {
            int cut = line.indexOf('\t');
            if (cut < 0) {
                throw new Refusal("\"" + line + "\" is not a stored value");
            }
            var key = new SettingKey(line.substring(0, cut));
            values.put(key, value(key, line.substring(cut + 1)));
        });
        return new NativeConfig(values);
    }

    /** @throws Refusal when they cannot be understood */
    static Map<SettingKey, Change> changes(String stored) {
        Map<SettingKey, Change> changes = new TreeMap<>();
        stored.lines().forEach(line -> {
            var parts = line.split("\t", 3);
            if (parts.length < 3) {
                throw new Refusal("\"" + line + "\" is not a stored change");
            }
            var key = new SettingKey(parts[0]);
            Optional<NativeValue> before = parts[1].equals("-") ? Optional.empty() : Optional.of(value(key, parts[1]));
            changes.put(key, new Change(before, value(key, parts[2])));
        });
        return changes;
    }

    /** @throws Refusal when it cannot be understood */
    static NativeValue value(SettingKey key, String stored) {
        int cut = stored.indexOf(':');
        var body = stored.substring(cut + 1);
        return switch (stored.substring(0, Math.max(0, cut))) {
            case "flag" -> new NativeValue.Flag(body.equals("on"));
            case "item" -> item(key, body);
            case "mask" -> mask(body);
            case "week" -> new NativeValue.Hours(body.isEmpty() ? Week.silent() : WeekText.parse(lines(body)));
            case "zones" ->
                new NativeValue.Zones(parts(body).map(OldFacts::zone).toList());
            case "levels" ->
                new NativeValue.Levels(
                        body.isEmpty() ? Week.silent() : WeekText.parse(lines(body), NativeScalar::read));
            case "days" ->
                new NativeValue.SpecialDays(parts(body).map(OldFacts::day).toList());
            default -> throw new Refusal("\"" + stored + "\" is not a stored native value");
        };
    }

    private static NativeValue item(SettingKey key, String text) {
        boolean counted = switch (Catalogue.get(key).type()) {
            case SettingType.SensitivityOrAuto s -> true;
            case SettingType.ShareOfPicture s -> true;
            case SettingType.Amount a -> true;
            default -> false;
        };
        if (!counted) {
            return NativeValue.word(text);
        }
        boolean eachArea = (key.equals(Catalogue.SENSITIVITY) || key.equals(Catalogue.THRESHOLD)) && text.contains(" ");
        return eachArea
                ? NativeValue.ofAreas(
                        Stream.of(text.split(" ")).map(NativeScalar::read).toList())
                : new NativeValue.Single(NativeScalar.read(text));
    }

    private static List<String> lines(String body) {
        return List.of(body.split("; "));
    }

    private static Stream<String> parts(String body) {
        return body.isEmpty() ? Stream.empty() : Stream.of(body.split("\\|"));
    }

    private static Zone zone(String stored) {
        int cut = Math.max(0, stored.indexOf(':'));
        return Zone.of(stored.substring(0, cut), stored.substring(cut + 1));
    }

    private static SpecialDay day(String stored) {
        var fields = stored.split("\\^", -1);
        if (fields.length != 3) {
            throw new Refusal("\"" + stored + "\" is not a stored special day");
        }
        return new SpecialDay(fields[0], DateSet.parse(fields[1]), DayPlan.parse(lines(fields[2])));
    }

    private static NativeValue mask(String body) {
        var match = MASK.matcher(body);
        if (!match.matches()) {
            throw new Refusal("\"" + body + "\" is not a stored mask");
        }
        var grid = new CellGrid(Integer.parseInt(match.group(1)), Integer.parseInt(match.group(2)));
        return new NativeValue.Mask(CellMask.unpack(grid, match.group(3)));
    }
}
