package choir.policy;

/** Whether motion in an area counts. Where both overlap, ignoring wins. */
public enum AreaKind {
    WATCH,
    IGNORE;

    public String text() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
