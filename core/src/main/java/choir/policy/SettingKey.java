package choir.policy;

/** The name of a setting, such as {@code motion.threshold}. */
public record SettingKey(String text) implements Comparable<SettingKey> {
    @Override
    public int compareTo(SettingKey other) {
        return text.compareTo(other.text);
    }

    @Override
    public String toString() {
        return text;
    }
}
