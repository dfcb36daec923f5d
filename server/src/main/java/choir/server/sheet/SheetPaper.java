package choir.server.sheet;

import choir.server.paper.Paper;
import com.samskivert.mustache.Template;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** A work sheet to take along. */
final class SheetPaper {
    private static final Template TEMPLATE = Paper.form("/sheet/sheet.html");

    private SheetPaper() {}

    static String html(Sheet sheet, Paper.Fonts fonts) {
        Map<String, Object> facts = new HashMap<>();
        facts.put("font", fonts.text());
        facts.put("recorder", sheet.recorder());
        facts.put("title", sheet.title());
        facts.put("cameras", sheet.cameras() == 1 ? "1 camera" : sheet.cameras() + " cameras");
        facts.put("version", sheet.version());
        facts.put("any", !sheet.steps().isEmpty());
        facts.put("groups", groups(sheet));
        facts.put("cannot", sheet.cannot());
        return TEMPLATE.execute(facts);
    }

    /** It says which version of the sheet it is, so it need not say when it was made. */
    static byte[] pdf(Sheet sheet) {
        return Paper.pdf(
                html(sheet, Paper.Fonts.PAPER),
                "Work sheet for " + sheet.recorder(),
                Instant.EPOCH.atZone(ZoneOffset.UTC),
                (sheet.recorder() + sheet.version()).hashCode());
    }

    private static List<Map<String, Object>> groups(Sheet sheet) {
        List<Map<String, Object>> groups = new ArrayList<>();
        List<Map<String, Object>> steps = new ArrayList<>();
        var camera = "";
        for (var step : sheet.steps()) {
            if (!step.camera().equals(camera)) {
                camera = step.camera();
                steps = new ArrayList<>();
                groups.add(Map.of("camera", camera, "label", step.label(), "steps", steps));
            }
            steps.add(facts(step));
        }
        return groups;
    }

    private static Map<String, Object> facts(Sheet.Step step) {
        Map<String, Object> facts = new HashMap<>();
        boolean mask = step.after().contains("\n");
        facts.put("number", step.number());
        facts.put("menu", step.menu());
        facts.put("entry", step.entry());
        facts.put("mask", mask);
        facts.put("after", step.after());
        facts.put("rows", mask ? step.after().lines().map(SheetPaper::row).toList() : List.of());
        facts.put("note", step.note() == null ? "" : step.note());
        facts.put("before", step.before() == null ? "not known" : mask ? "another mask" : step.before());
        return facts;
    }

    private static Map<String, Object> row(String line) {
        return Map.of(
                "cells", line.chars().mapToObj(c -> Map.of("watched", c == '#')).toList());
    }
}
