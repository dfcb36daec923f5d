package choir.policy;

/** The name of a setting, such as {@code motion.threshold}. */
public record SettingKey(String text) implements Comparable<SettingKey> {
    /** The word before the point. */
    public String section() {
        return text.substring(0, Math.max(0, text.indexOf('.')));
    }

    /** Whether it is about what else happens when something moves. */
    public boolean isResponse() {
        return section().equals("response");
    }

    @Override
    public int compareTo(SettingKey other) {
        return text.compareTo(other.text);
    }

    @Override
    public String toString() {
        return text;
    }
}
