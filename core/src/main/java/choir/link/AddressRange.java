package choir.link;

import choir.refusal.Refusal;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.LongStream;

/** Addresses of the fourth version of the internet protocol, from the first to the last, at most 1,024. */
public record AddressRange(long first, long last) {
    private static final int MOST = 1_024;
    private static final Pattern ADDRESS = Pattern.compile("(\\d{1,3})\\.(\\d{1,3})\\.(\\d{1,3})\\.(\\d{1,3})");

    public AddressRange {
        if (last < first || last - first >= MOST) {
            throw new Refusal("a range holds 1 to " + MOST + " addresses, from the lower to the higher; not "
                    + text(first) + "-" + text(last));
        }
    }

    /**
     * Reads {@code 10.20.0.5}, {@code 10.20.0.1-10.20.0.40} or {@code 10.20.0.0/26}.
     *
     * @throws Refusal saying what was expected
     */
    public static AddressRange parse(String text) {
        var trimmed = text.strip();
        var ends = trimmed.split("-", -1);
        if (ends.length == 2) {
            return new AddressRange(address(ends[0], text), address(ends[1], text));
        }
        int slash = trimmed.indexOf('/');
        if (slash < 0) {
            return new AddressRange(address(trimmed, text), address(trimmed, text));
        }
        var prefix = trimmed.substring(slash + 1);
        if (!prefix.matches("2[2-9]|3[0-2]")) {
            throw refused(text);
        }
        long size = 1L << 32 - Integer.parseInt(prefix);
        long start = address(trimmed.substring(0, slash), text) / size * size;
        return new AddressRange(start, start + size - 1);
    }

    private static long address(String text, String whole) {
        var match = ADDRESS.matcher(text.strip());
        if (!match.matches()) {
            throw refused(whole);
        }
        long address = 0;
        for (int i = 1; i <= 4; i++) {
            int part = Integer.parseInt(match.group(i));
            if (part > 255) {
                throw refused(whole);
            }
            address = address << 8 | part;
        }
        return address;
    }

    private static Refusal refused(String text) {
        return new Refusal("\"" + text + "\" is no range of addresses; expected 10.20.0.5,"
                + " 10.20.0.1-10.20.0.40 or 10.20.0.0/26 (at most " + MOST + " addresses)");
    }

    public List<String> addresses() {
        return LongStream.rangeClosed(first, last).mapToObj(AddressRange::text).toList();
    }

    private static String text(long address) {
        return (address >> 24 & 255) + "." + (address >> 16 & 255) + "." + (address >> 8 & 255) + "." + (address & 255);
    }
}
