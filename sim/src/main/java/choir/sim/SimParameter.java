package choir.sim;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * One parameter of a simulated make: what it holds when it leaves the factory, and what it takes. {@code takes} is a list
 * of words with bars between, {@code 1..60} for whole numbers, {@code *} for any text, {@code cells} for a packed mask,
 * {@code corners} for a polygon of at most ten corners in percent of the picture.
 */
record SimParameter(String factory, String takes) {
    private static final int MOST_CORNERS = 10;

    /** What is held after that text was given; empty when it is refused. */
    Optional<String> held(String given, boolean clamps, int cells) {
        return switch (takes) {
            case "*" -> Optional.of(given);
            case "cells" -> Optional.of(PackedCells.write(PackedCells.read(given, cells), cells));
            case "corners" -> given.isEmpty() || isPolygon(given) ? Optional.of(given) : Optional.empty();
            default -> wordOrNumber(given, clamps);
        };
    }

    private Optional<String> wordOrNumber(String given, boolean clamps) {
        for (var choice : takes.split("\\|")) {
            var ends = choice.split("\\.\\.");
            if (choice.equals(given)) {
                return Optional.of(given);
            }
            if (ends.length == 2 && given.matches("-?\\d{1,9}")) {
                int number = Integer.parseInt(given);
                int held = Math.clamp(number, Integer.parseInt(ends[0]), Integer.parseInt(ends[1]));
                if (held == number || clamps) {
                    return Optional.of(Integer.toString(held));
                }
            }
        }
        return Optional.empty();
    }

    /** The ends of a range of whole numbers, if that is what it takes. */
    Optional<int[]> range() {
        for (var choice : takes.split("\\|")) {
            var ends = choice.split("\\.\\.");
            if (ends.length == 2) {
                return Optional.of(new int[] {Integer.parseInt(ends[0]), Integer.parseInt(ends[1])});
            }
        }
        return Optional.empty();
    }

    private static boolean isPolygon(String given) {
        List<String> corners = new ArrayList<>(List.of(given.split(" ")));
        Set<String> distinct = new HashSet<>(corners);
        return corners.size() >= 3
                && corners.size() <= MOST_CORNERS
                && distinct.size() == corners.size()
                && corners.stream().allMatch(c -> c.matches("(\\d{1,2}|100),(\\d{1,2}|100)"));
    }
}
