package choir.storage;

import choir.refusal.Refusal;
import java.math.BigDecimal;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * How much a store holds.
 *
 * @param bytes of it
 * @param atLeast it may hold more than is known: it was not seen to delete footage for want of room
 */
public record Size(Range bytes, Basis basis, boolean atLeast) {
    private static final Pattern TEXT = Pattern.compile("(\\d{1,6}(?:[.,]\\d{1,3})?)\\s*(GB|TB|PB|GiB|TiB|PiB)");
    private static final BigDecimal MOST = BigDecimal.valueOf(1_000_000_000_000_000_000L);
    private static final Map<String, Long> UNITS = Map.of(
            "GB",
            1_000_000_000L,
            "TB",
            1_000_000_000_000L,
            "PB",
            1_000_000_000_000_000L,
            "GiB",
            1L << 30,
            "TiB",
            1L << 40,
            "PiB",
            1L << 50);

    public static Size said(long bytes) {
        return new Size(Range.exactly((double) bytes), Basis.SAID, false);
    }

    /**
     * Reads what a person says, such as {@code 8 TB} or {@code 7.3 TiB}.
     *
     * @return bytes
     * @throws Refusal for what is no size
     */
    public static long parse(String text) {
        var found = TEXT.matcher(text.strip());
        if (!found.matches()) {
            throw new Refusal("\"" + text + "\" is no size of a disk; write it such as 8 TB, 500 GB or 7.3 TiB");
        }
        var bytes = new BigDecimal(found.group(1).replace(',', '.'))
                .multiply(BigDecimal.valueOf(java.util.Objects.requireNonNull(UNITS.get(found.group(2)))));
        if (bytes.signum() == 0 || bytes.compareTo(MOST) > 0) {
            throw new Refusal("a disk holds something, and less than 1000 PB; not " + text.strip());
        }
        return bytes.longValue();
    }
}
