package choir.policy;

import choir.fleet.Nearest;
import choir.refusal.Refusal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Every setting there is. Parsing, validation, layering, the network interface, forms and the reference come from this
 * list; a scalar setting is added here and nowhere else.
 */
public final class Catalogue {
    public static final SettingKey DETECTION = new SettingKey("motion.detection");
    public static final SettingKey SENSITIVITY = new SettingKey("motion.sensitivity");
    public static final SettingKey THRESHOLD = new SettingKey("motion.threshold");
    public static final SettingKey SENSITIVITY_BY_TIME = new SettingKey("motion.sensitivity-by-time");
    public static final SettingKey AREAS = new SettingKey("motion.areas");
    public static final SettingKey ANALYSE_SIZE = new SettingKey("motion.analyse-size");
    public static final SettingKey SWITCHED_ON = new SettingKey("recording.switched-on");
    public static final SettingKey WEEK = new SettingKey("recording.week");
    public static final SettingKey SPECIAL_DAYS = new SettingKey("recording.special-days");
    public static final SettingKey BEFORE_EVENT = new SettingKey("recording.before-event");
    public static final SettingKey AFTER_EVENT = new SettingKey("recording.after-event");
    public static final SettingKey FRAME_RATE = new SettingKey("recording.frame-rate");
    public static final SettingKey STREAM = new SettingKey("recording.stream");
    public static final SettingKey CLIP_EVERY = new SettingKey("recording.clip-every");
    public static final SettingKey STORE = new SettingKey("recording.store");
    public static final SettingKey KEEP_AT_LEAST = new SettingKey("recording.keep-at-least");
    public static final SettingKey KEEP_AT_MOST = new SettingKey("recording.keep-at-most");

    private static final Map<SettingKey, Setting> SETTINGS = index(List.of(
            new Setting(
                    DETECTION,
                    new SettingType.OnOff(),
                    "Detection",
                    "Whether the device looks for motion at all.",
                    "Off: nothing that waits for motion is ever recorded.",
                    "On while nothing uses it: the device works for nothing."),
            new Setting(
                    SENSITIVITY,
                    new SettingType.SensitivityOrAuto(),
                    "Sensitivity",
                    "How small a change of a pixel counts; more reacts to smaller changes.",
                    "Too low: faint or distant movement does not count.",
                    "Too high: noise, rain and shadows count."),
            new Setting(
                    THRESHOLD,
                    new SettingType.ShareOfPicture(),
                    "Threshold",
                    "The share of the watched picture that must change before it is motion; less reacts sooner.",
                    "Too high: someone far away changes too little to start a recording.",
                    "Too low: small unimportant movement starts recordings."),
            new Setting(
                    SENSITIVITY_BY_TIME,
                    new SettingType.WeekOfSensitivities(),
                    "Sensitivity by time",
                    "Another sensitivity at some times of the week; at other times the plain one holds.",
                    "Too low at night: a dark figure on dark ground does not count.",
                    "Too high at night: the noise of a dark picture counts."),
            new Setting(
                    AREAS,
                    new SettingType.AreaList(),
                    "Areas",
                    "Where in the picture motion counts and where it is ignored.",
                    "Ignoring too much: what happens there is not recorded.",
                    "Ignoring too little: foliage, water and traffic start recordings."),
            new Setting(
                    new SettingKey("motion.analyses-per-second"),
                    new SettingType.Amount(Unit.ANALYSES_A_SECOND, 1, 60, 1, false),
                    "Analyses a second",
                    "How often a picture is analysed.",
                    "Too seldom: quick movement passes between two looks.",
                    "Too often: the recorder has less room for everything else."),
            new Setting(
                    ANALYSE_SIZE,
                    new SettingType.Choice(List.of("1", "1/2", "1/4", "1/8")),
                    "Analyse size",
                    "The size at which pictures are analysed, as a share of each side.",
                    "Too small: someone far away is no longer to be seen.",
                    "Too large: the recorder works more than needed."),
            new Setting(
                    new SettingKey("motion.analyse-pictures"),
                    new SettingType.Choice(List.of("all", "key")),
                    "Analyse pictures",
                    "Whether all pictures are analysed or only key pictures.",
                    "Only key pictures: short movement is missed.",
                    "All pictures: the recorder works more than needed."),
            new Setting(
                    new SettingKey("motion.on-delay"),
                    new SettingType.Amount(Unit.MILLISECONDS, 0, 60000, 0, true, true),
                    "On delay",
                    "For how long the level must be over the threshold before it is motion.",
                    "Too long: short movement does not count.",
                    "Too short: a flicker counts."),
            new Setting(
                    new SettingKey("motion.off-delay"),
                    new SettingType.Amount(Unit.MILLISECONDS, 0, 600000, 0, false),
                    "Off delay",
                    "For how long motion lasts after the level was last over the threshold.",
                    "Too short: one movement becomes several, with gaps between.",
                    "Too long: every event carries quiet footage."),
            new Setting(
                    new SettingKey("motion.log"),
                    new SettingType.OnOff(),
                    "Log",
                    "Whether the recorder keeps a log entry for each motion event.",
                    "Off: nobody can look up afterwards when something moved.",
                    "On where nobody reads it: the log fills and older entries go."),
            new Setting(
                    SWITCHED_ON,
                    new SettingType.OnOff(),
                    "Switched on",
                    "Whether the recorder acts on its schedule.",
                    "Off: nothing is recorded, whatever the week says.",
                    "On where nothing ought to be recorded."),
            new Setting(
                    WEEK,
                    new SettingType.WeekOfTriggers(),
                    "Week",
                    "What starts recording, by minute of the week on the recorder's clock.",
                    "Minutes at which less starts recording than needed.",
                    "Minutes at which more starts recording than needed."),
            new Setting(
                    SPECIAL_DAYS,
                    new SettingType.DayPlans(),
                    "Special days",
                    "Calendars and dates on which another plan holds, from midnight to midnight.",
                    "Missing: on a holiday the plan of an ordinary day records too little.",
                    "Missing: on a quiet day the plan of a busy one records too much."),
            new Setting(
                    BEFORE_EVENT,
                    new SettingType.Amount(Unit.SECONDS, 0, 600, 0, false),
                    "Before event",
                    "Footage kept from before the event.",
                    "Too short: how it began is missing.",
                    "Too long: every event carries quiet footage."),
            new Setting(
                    AFTER_EVENT,
                    new SettingType.Amount(Unit.SECONDS, 0, 3600, 0, false),
                    "After event",
                    "Footage kept from after the event.",
                    "Too short: how it ended is missing.",
                    "Too long: every event carries quiet footage."),
            new Setting(
                    FRAME_RATE,
                    new SettingType.Amount(Unit.FRAMES_A_SECOND, 1, 120, 2, true),
                    "Frame rate",
                    "The most pictures a second that are recorded.",
                    "Too low: quick movement falls between two pictures.",
                    "Too high: the disk fills sooner."),
            new Setting(
                    STREAM,
                    new SettingType.Named("main or sub"),
                    "Stream",
                    "Which of the camera's streams is recorded.",
                    "A small stream: faces and plates cannot be told.",
                    "A large stream: the disk fills sooner."),
            new Setting(
                    STORE,
                    new SettingType.Named("disk-1"),
                    "Store",
                    "Where it is recorded to.",
                    "A store that is not there: nothing is recorded, whatever the week says.",
                    "A store that is dearer than the footage is worth."),
            new Setting(
                    new SettingKey("recording.when-full"),
                    new SettingType.Choice(List.of("overwrite", "stop")),
                    "When full",
                    "What happens when the store is full.",
                    "Stop: nothing more is recorded once the store is full.",
                    "Overwrite: the oldest footage goes early."),
            new Setting(
                    CLIP_EVERY,
                    new SettingType.ClipEvery(),
                    "Clip every",
                    "A short clip at fixed intervals, motion or not.",
                    "Off: nothing shows that the camera was there and saw nothing.",
                    "Often and long: quiet footage fills the disk."),
            new Setting(
                    KEEP_AT_LEAST,
                    new SettingType.Amount(Unit.DAYS, 0, 3650, 0, false),
                    "Keep at least",
                    "Days for which footage must still be there.",
                    "Too short: footage is gone before it is asked for.",
                    "Too long: the disk must be larger than needed."),
            new Setting(
                    KEEP_AT_MOST,
                    new SettingType.Amount(Unit.DAYS, 1, 3650, 0, true),
                    "Keep at most",
                    "Days after which footage must be gone.",
                    "Too short: footage is deleted that might be asked for.",
                    "Too long: footage is kept that may not be kept."),
            new Setting(
                    new SettingKey("response.mail"),
                    new SettingType.OffOr("an address", "watch@skerry.example"),
                    "Mail",
                    "Who gets a mail with a still picture when something moves.",
                    "Off: nobody hears of it before they look.",
                    "On where much moves: the mails that matter drown."),
            new Setting(
                    new SettingKey("response.still"),
                    new SettingType.OnOff(),
                    "Still",
                    "Whether a still picture is kept for each event.",
                    "Off: events cannot be leafed through quickly.",
                    "On: the disk fills with stills."),
            new Setting(
                    new SettingKey("response.sound"),
                    new SettingType.OffOr("the name of a sound", "bell"),
                    "Sound",
                    "Which sound the recorder makes.",
                    "Off: nobody nearby notices.",
                    "On where much moves: nobody listens any more."),
            new Setting(
                    new SettingKey("response.program"),
                    new SettingType.OffOr("the name of a program of the recorder", "lamp-on"),
                    "Program",
                    "Which program the recorder starts.",
                    "Off: what should follow does not.",
                    "On where much moves: it runs all day."),
            new Setting(
                    new SettingKey("response.upload"),
                    new SettingType.OffOr("an address", "sftp://archive.skerry.example/quay"),
                    "Upload",
                    "Where the recording of an event is copied to.",
                    "Off: footage exists once, at the place where it can be stolen.",
                    "On where much moves: the line is busy with quiet footage.")));

    private Catalogue() {}

    private static Map<SettingKey, Setting> index(List<Setting> settings) {
        Map<SettingKey, Setting> index = new LinkedHashMap<>();
        settings.forEach(s -> index.put(s.key(), s));
        return java.util.Collections.unmodifiableMap(index);
    }

    /** All settings in the order of the work: motion first, then recording. */
    public static List<Setting> settings() {
        return List.copyOf(SETTINGS.values());
    }

    /** The first words of the keys, in the order of the work. */
    public static List<String> sections() {
        return SETTINGS.keySet().stream().map(SettingKey::section).distinct().toList();
    }

    public static Setting get(SettingKey key) {
        var setting = SETTINGS.get(key);
        if (setting == null) {
            throw new Refusal(unknown(key.text()));
        }
        return setting;
    }

    /**
     * The setting of that name.
     *
     * @throws Refusal naming the nearest setting that exists
     */
    public static Setting named(String key) {
        return get(new SettingKey(key));
    }

    static String unknown(String key) {
        var known = SETTINGS.keySet().stream().map(SettingKey::text).toList();
        var hint = Nearest.hint(key, known);
        return "\"" + key + "\" is not a setting"
                + (hint.isEmpty() ? "; expected one of " + String.join(", ", known) : hint);
    }
}
