package choir.onvif;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.area.Shape;
import choir.family.Families;
import choir.family.NativeText;
import choir.family.NativeValue;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderAccess;
import choir.link.RecorderReading;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.scale.NativeScalar;
import choir.sim.Simulator;
import choir.week.DateSet;
import choir.week.DayPlan;
import choir.week.WallClock.SpecialDay;
import choir.week.WeekText;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class OnvifLinkTest {
    private static final Families FAMILIES = Families.shipped();
    private static Simulator simulator;
    private static OnvifLink link;
    private static int number;
    private String tern;
    private String gannet;
    private String petrel;

    @BeforeAll
    static void start() {
        simulator = Simulator.start(0);
        link = new OnvifLink(Patience.ofCall(Duration.ofMinutes(2)));
    }

    @AfterAll
    static void stop() {
        link.close();
        simulator.close();
    }

    @BeforeEach
    void freshRecorders() {
        number++;
        tern = "tern-" + number;
        gannet = "gannet-" + number;
        simulator.add(tern, "tern", "choir", "harbour", 3);
        petrel = "petrel-" + number;
        simulator.add(gannet, "gannet", "choir", "harbour", 2);
        simulator.add(petrel, "petrel", "choir", "harbour", 2);
    }

    private static RecorderAccess access(String recorder, String family, String password) {
        return new RecorderAccess(simulator.address(recorder), "choir", password, FAMILIES.named(family));
    }

    private RecorderAccess access(String recorder) {
        return access(recorder, recorder.substring(0, recorder.indexOf('-')), "harbour");
    }

    static void panel(String path) throws Exception {
        var uri = URI.create("http://127.0.0.1:" + simulator.port() + "/panel/" + path);
        var answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(uri)
                                .POST(HttpRequest.BodyPublishers.noBody())
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
    }

    private RecorderReading.Channel first(String recorder) {
        return link.read(access(recorder)).channels().getFirst();
    }

    @Test
    void readsEverythingOfATernInFewCalls() {
        var reading = link.read(access(tern));
        assertThat(reading.calls()).isLessThanOrEqualTo(7);
        assertThat(link.read(access(tern)).calls())
                .as("what it offers is not asked again")
                .isLessThanOrEqualTo(6);
        assertThat(reading.device().model()).isEqualTo("TN-16");
        assertThat(reading.channels())
                .extracting(RecorderReading.Channel::channel)
                .containsExactly("01", "02", "03");
        var config = reading.channels().getFirst().config();
        assertThat(config.values().keySet())
                .isEqualTo(FAMILIES.named("tern").orElseThrow().abilities().keySet());
        FAMILIES.named("tern")
                .orElseThrow()
                .abilities()
                .forEach((key, ability) -> ability.factory()
                        .ifPresent(
                                f -> assertThat(config.get(key)).as(key.text()).contains(f)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern", "gannet"})
    void aPasswordIsChangedForTheUserOfTheAccessAndItsRightsStay(String make) {
        var recorder = make.equals("tern") ? tern : gannet;
        link.changePassword(access(recorder), "quiet water");
        var refused = catchThrowableOfType(LinkException.class, () -> link.tryPassword(access(recorder)));
        assertThat(refused.reason()).isEqualTo(Reason.NOT_AUTHORIZED);
        link.tryPassword(access(recorder, make, "quiet water"));
        assertThat(link.read(access(recorder, make, "quiet water")).channels()).isNotEmpty();
        var tooLong = catchThrowableOfType(
                LinkException.class, () -> link.changePassword(access(recorder, make, "quiet water"), "x".repeat(65)));
        assertThat(tooLong.reason()).isEqualTo(Reason.REFUSED);
        assertThat(tooLong).hasMessageContaining("at most 64 characters");
        link.tryPassword(access(recorder, make, "quiet water"));
    }

    @Test
    void readsAGannetThatChallengesAndLeavesItsProfilesEmpty() {
        var reading = link.read(access(gannet));
        assertThat(reading.channels()).hasSize(2);
        assertThat(reading.calls()).isLessThanOrEqualTo(10);
        assertThat(reading.channels().getFirst().config().values().keySet())
                .isEqualTo(FAMILIES.named("gannet").orElseThrow().abilities().keySet());
        assertThat(link.read(access(gannet)).calls()).isLessThanOrEqualTo(9);
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern", "gannet"})
    void writesEachSettingAndReadsItBack(String make) {
        var recorder = make.equals("tern") ? tern : gannet;
        var grid = make.equals("tern") ? new CellGrid(22, 18) : new CellGrid(16, 12);
        var mask = new Shape.Rectangle(new Shape.Point(0, 0), new Shape.Point(1, 0.5)).on(grid);
        Map<SettingKey, NativeValue> values = new java.util.HashMap<>(Map.of(
                Catalogue.DETECTION, new NativeValue.Flag(false),
                Catalogue.SENSITIVITY, new NativeValue.Single(NativeScalar.read("5")),
                Catalogue.AREAS, new NativeValue.Mask(mask),
                Catalogue.SWITCHED_ON, new NativeValue.Flag(false),
                Catalogue.BEFORE_EVENT, new NativeValue.Single(NativeScalar.read("6")),
                Catalogue.AFTER_EVENT, new NativeValue.Single(NativeScalar.read("30")),
                Catalogue.FRAME_RATE, new NativeValue.Single(NativeScalar.read("12")),
                Catalogue.WEEK,
                        new NativeValue.Hours(WeekText.parse(List.of(
                                "daily motion",
                                "mon-fri 05:30-09:30 continuous",
                                "fri 22:00-04:00 motion,alarm",
                                "sun none")))));
        values.put(new SettingKey("motion.log"), new NativeValue.Flag(false));
        values.put(new SettingKey("response.sound"), new NativeValue.Single(NativeScalar.read("bell & <whistle>")));
        values.put(
                new SettingKey("recording.when-full"),
                new NativeValue.Single(NativeScalar.read(make.equals("tern") ? "Stop" : "halt")));
        if (make.equals("tern")) {
            values.put(Catalogue.THRESHOLD, new NativeValue.Single(NativeScalar.read("7")));
            values.put(
                    Catalogue.SENSITIVITY_BY_TIME,
                    new NativeValue.Levels(WeekText.parse(List.of("sat 21:00-05:30 45"), NativeScalar::read)));
            values.put(
                    Catalogue.SPECIAL_DAYS,
                    new NativeValue.SpecialDays(List.of(new SpecialDay(
                            "holidays", DateSet.parse("12-25 yearly"), DayPlan.parse(List.of("daily continuous"))))));
            values.put(Catalogue.KEEP_AT_MOST, new NativeValue.Single(NativeScalar.read("21")));
            values.put(new SettingKey("motion.on-delay"), new NativeValue.Single(NativeScalar.read("250")));
            values.put(new SettingKey("motion.off-delay"), new NativeValue.Single(NativeScalar.read("4000")));
            values.put(new SettingKey("recording.stream"), new NativeValue.Single(NativeScalar.read("Sub")));
            values.put(new SettingKey("recording.store"), new NativeValue.Single(NativeScalar.read("Disk2")));
            values.put(
                    new SettingKey("response.mail"), new NativeValue.Single(NativeScalar.read("watch@skerry.example")));
            values.put(new SettingKey("response.still"), new NativeValue.Flag(true));
            values.put(
                    new SettingKey("response.upload"),
                    new NativeValue.Single(NativeScalar.read("sftp://archive.skerry.example/q")));
        }
        assertThat(Writes.to(link, access(recorder), Map.of("02", values))).isEmpty();
        var channels = link.read(access(recorder)).channels();
        assertThat(channels.get(1).config().values()).isEqualTo(values);
        assertThat(channels.getFirst().config()).isNotEqualTo(channels.get(1).config());
    }

    @Test
    void writesOnlyWhatChanges() throws Exception {
        assertThat(Writes.to(
                        link,
                        access(tern),
                        Map.of("01", Map.of(Catalogue.SENSITIVITY, new NativeValue.Single(NativeScalar.read("60"))))))
                .isEmpty();
        var display = HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(simulator.panel(tern)).build(), HttpResponse.BodyHandlers.ofString())
                .body();
        assertThat(display).contains("writes 1\n");
    }

    @Test
    void seesWhatWasTurnedAtTheFrontPanel() throws Exception {
        panel(tern + "/01?sensitivity=40&erase=sun");
        var config = first(tern).config();
        assertThat(config.get(Catalogue.SENSITIVITY)).contains(new NativeValue.Single(NativeScalar.read("40")));
        assertThat(NativeText.of(config.get(Catalogue.WEEK).orElseThrow())).isEqualTo("daily continuous; sun none");
    }

    @Test
    void aWrongClockIsMeasuredAndDoesNotLockUsOut() throws Exception {
        panel(tern + "?clock=PT-37M");
        assertThat(link.read(access(tern)).clockAhead().orElseThrow())
                .isBetween(
                        Duration.ofMinutes(-37).minusMinutes(2),
                        Duration.ofMinutes(-37).plusMinutes(2));
    }

    @ParameterizedTest
    @CsvSource({"tern", "gannet"})
    void aWrongPasswordIsSaidToBeOne(String make) {
        var recorder = make.equals("tern") ? tern : gannet;
        var thrown = catchThrowableOfType(LinkException.class, () -> link.read(access(recorder, make, "wrong")));
        assertThat(thrown.reason()).isEqualTo(Reason.NOT_AUTHORIZED);
        assertThat(thrown).hasMessageContaining("user name and password").hasMessageNotContaining("wrong");
    }

    @ParameterizedTest
    @CsvSource({
        "AWAY,UNREACHABLE",
        "GARBAGE,GARBAGE",
        "CUT_OFF,GARBAGE",
        "ENDLESS,GARBAGE",
        "WRONG_PASSWORD,NOT_AUTHORIZED"
    })
    void eachFaultHasItsReason(String fault, Reason reason) throws Exception {
        panel(tern + "?fault=" + fault);
        var thrown = catchThrowableOfType(LinkException.class, () -> link.read(access(tern)));
        assertThat(thrown.reason()).isEqualTo(reason);
        assertThat(thrown).hasMessageContaining("127.0.0.1:" + simulator.port());
        panel(tern + "?fault=NONE");
        assertThat(link.read(access(tern)).channels()).hasSize(3);
    }

    @Test
    void aSlowRecorderCostsItsDeadlineAtMost() throws Exception {
        panel(tern + "?fault=SLOW&delay=PT20S");
        try (var hasty = new OnvifLink(Patience.ofCall(Duration.ofMillis(500)))) {
            var thrown = catchThrowableOfType(LinkException.class, () -> hasty.read(access(tern)));
            assertThat(thrown.reason()).isEqualTo(Reason.TIMED_OUT);
        }
    }

    @Test
    void nobodyListeningIsUnreachable() {
        var access = new RecorderAccess(
                URI.create("http://127.0.0.1:1/onvif/device_service"), "choir", "x", FAMILIES.named("tern"));
        var thrown = catchThrowableOfType(LinkException.class, () -> link.read(access));
        assertThat(thrown.reason()).isEqualTo(Reason.UNREACHABLE);
    }

    @Test
    void aRefusedValueIsReportedWithTheRecordersReason() {
        var failed = Writes.to(
                link,
                access(gannet),
                Map.of(
                        "01", Map.of(Catalogue.BEFORE_EVENT, new NativeValue.Single(NativeScalar.read("4"))),
                        "02", Map.of(Catalogue.BEFORE_EVENT, new NativeValue.Single(NativeScalar.read("6")))));
        assertThat(failed).containsOnlyKeys("01");
        var thrown = failed.get("01");
        assertThat(thrown.reason()).isEqualTo(Reason.REFUSED);
        assertThat(thrown).hasMessageContaining("not one of the allowed values");
    }

    private static NativeValue week(String... lines) {
        return new NativeValue.Hours(WeekText.parse(List.of(lines)));
    }

    private static List<String> weeks(List<RecorderReading.Channel> channels) {
        return channels.stream()
                .map(c -> NativeText.of(c.config().get(Catalogue.WEEK).orElseThrow()))
                .toList();
    }

    @Test
    void aScheduleThatOtherCamerasGoByIsSplitOffForTheOneThatChanges() throws Exception {
        panel(tern + "?share=02:01");
        panel(tern + "?share=03:01");
        var before = weeks(link.read(access(tern)).channels());
        assertThat(Writes.to(
                        link,
                        access(tern),
                        Map.of("02", Map.of(Catalogue.WEEK, week("daily motion"), Catalogue.BEFORE_EVENT, number(7)))))
                .isEmpty();
        var after = link.read(access(tern)).channels();
        assertThat(weeks(after)).containsExactly(before.getFirst(), "daily motion", before.getFirst());
        assertThat(after.get(1).config().get(Catalogue.BEFORE_EVENT))
                .as("what was written to the same job a moment ago is not undone by it")
                .contains(number(7));
        // The one that the others left keeps the schedule, and the owner of it can change without them.
        assertThat(Writes.to(
                        link,
                        access(tern),
                        Map.of(
                                "01", Map.of(Catalogue.WEEK, week("daily continuous")),
                                "03", Map.of(Catalogue.WEEK, week("mon-fri motion", "sat-sun none")))))
                .isEmpty();
        assertThat(weeks(link.read(access(tern)).channels()))
                .containsExactly("daily continuous", "daily motion", "daily motion; sat,sun none");
    }

    @Test
    void aSharedScheduleStaysAsItIsWhereNoOtherCanBeMade() throws Exception {
        panel(tern + "?share=02:01");
        panel(tern + "?quirk=Schedules.Most:1");
        var before = weeks(link.read(access(tern)).channels());
        for (var channel : List.of("01", "02")) {
            var failed = Writes.to(
                    link,
                    access(tern),
                    Map.of(channel, Map.of(Catalogue.WEEK, week("daily motion"), Catalogue.SENSITIVITY, number(33))));
            assertThat(failed.get(channel).reason()).isEqualTo(Reason.NOT_SUPPORTED);
            assertThat(failed.get(channel))
                    .hasMessageContaining("as do " + (channel.equals("01") ? "02" : "01"))
                    .hasMessageContaining("changed for all of them")
                    .hasMessageContaining("MaxSchedules");
        }
        var after = link.read(access(tern)).channels();
        assertThat(weeks(after)).isEqualTo(before);
        assertThat(after.get(1).config().get(Catalogue.SENSITIVITY))
                .as("what is its own is written all the same")
                .contains(number(33));
        assertThat(Writes.to(link, access(tern), Map.of("03", Map.of(Catalogue.WEEK, week("daily motion")))))
                .as("who shares with nobody is changed")
                .isEmpty();
    }

    @Test
    void aRecorderThatTakesNoEmptyCalendarGetsOneThatSaysNothing() throws Exception {
        panel(tern + "?quirk=Schedules.NoEmpty:yes");
        assertThat(Writes.to(link, access(tern), Map.of("01", Map.of(Catalogue.WEEK, week("mon motion")))))
                .isEmpty();
        assertThat(weeks(link.read(access(tern)).channels()).getFirst()).isEqualTo("daily none; mon motion");
    }

    @Test
    void aConversationIsChallengedOnceWhateverThePathsOfItsServices() throws Exception {
        link.read(access(gannet));
        long before = calls(gannet);
        var reading = link.read(access(gannet));
        assertThat(reading.calls()).isLessThanOrEqualTo(7);
        assertThat(calls(gannet) - before).isEqualTo(reading.calls() + 1L);
    }

    private static long calls(String recorder) {
        return Long.parseLong(simulator.display(recorder).split(" calls ")[1].split(" ")[0]);
    }

    private static NativeValue number(int value) {
        return NativeValue.number(value);
    }

    @Test
    void aScheduleThatCannotBeUnderstoodIsNotKnownAndNotWrittenOver() throws Exception {
        var text = "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\nBEGIN:VEVENT\nUID:1\nDTSTART:19700105T080000\n"
                + "DTEND:19700105T090000\nRRULE:FREQ=WEEKLY;BYDAY=MO;INTERVAL=2\nEND:VEVENT\nEND:VCALENDAR\n";
        panel(tern + "/01?odd-schedule=" + java.net.URLEncoder.encode(text, java.nio.charset.StandardCharsets.UTF_8));
        var channel = first(tern);
        assertThat(channel.config().get(Catalogue.WEEK)).isEmpty();
        assertThat(channel.notes()).anyMatch(n -> n.contains("not known when it records"));
        var failed = Writes.to(link, access(tern), Map.of("01", Map.of(Catalogue.WEEK, week("daily motion"))));
        assertThat(failed.get("01")).hasMessageContaining("cannot be understood, so it is not written over");
    }

    @Test
    void theShippedFamilyFilesAgreeWithWhatTheRecordersSay() {
        assertThat(link.disagreements(access(tern))).isEmpty();
        assertThat(link.disagreements(access(gannet))).isEmpty();
        assertThat(link.disagreements(access(petrel))).isEmpty();
        assertThat(link.disagreements(access(tern, "gannet", "harbour"))).isEmpty();
    }

    @Test
    void aMaskOfTheWrongLengthBecomesANoteAndNotAGuess() {
        var reading =
                link.read(new RecorderAccess(simulator.address(tern), "choir", "harbour", FAMILIES.named("gannet")));
        var channel = reading.channels().getFirst();
        assertThat(channel.config().get(Catalogue.AREAS)).isEmpty();
        assertThat(channel.notes()).anySatisfy(n -> assertThat(n).contains("active cells"));
        assertThat(CellMask.all(new CellGrid(2, 2)).count()).isEqualTo(4);
    }

    @Test
    void readsAPetrelAsItLeftTheFactory() {
        var config = link.read(access(petrel)).channels().getFirst().config();
        FAMILIES.named("petrel")
                .orElseThrow()
                .abilities()
                .forEach((key, ability) -> ability.factory()
                        .ifPresent(factory ->
                                assertThat(config.get(key)).as(key.text()).contains(factory)));
        assertThat(config.get(Catalogue.AREAS)).contains(new NativeValue.Mask(CellMask.all(new CellGrid(32, 24))));
    }

    @Test
    void marksTheIgnoredCellsOfAPetrelAndReadsTheWatchedOnesBack() {
        var watched = new Shape.Rectangle(new Shape.Point(0, 0), new Shape.Point(1, 0.25)).on(new CellGrid(32, 24));
        Map<SettingKey, NativeValue> values = Map.of(
                Catalogue.AREAS,
                new NativeValue.Mask(watched),
                Catalogue.SENSITIVITY,
                new NativeValue.Single(NativeScalar.read("51")),
                Catalogue.THRESHOLD,
                new NativeValue.Single(NativeScalar.read("1296")),
                new SettingKey("response.program"),
                new NativeValue.Single(NativeScalar.read("lamp-on")));
        assertThat(Writes.to(link, access(petrel), Map.of("02", values))).isEmpty();
        var config = link.read(access(petrel)).channels().get(1).config();
        assertThat(config.values()).containsAllEntriesOf(values);
    }

    /** The device says that it took the value; only reading back tells. */
    @Test
    void aPetrelClampsWithoutAWord() {
        assertThat(Writes.to(
                        link,
                        access(petrel),
                        Map.of(
                                "01",
                                Map.of(
                                        Catalogue.THRESHOLD, new NativeValue.Single(NativeScalar.read("90000")),
                                        Catalogue.BEFORE_EVENT, new NativeValue.Single(NativeScalar.read("30"))))))
                .isEmpty();
        var config = link.read(access(petrel)).channels().getFirst().config();
        assertThat(config.get(Catalogue.THRESHOLD)).contains(new NativeValue.Single(NativeScalar.read("20000")));
        assertThat(config.get(Catalogue.BEFORE_EVENT)).contains(new NativeValue.Single(NativeScalar.read("15")));
    }
}
