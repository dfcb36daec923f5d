package choir.sim;

import static choir.sim.DeviceServices.join;

import java.time.Duration;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.w3c.dom.Element;

/** Recordings, recording jobs and schedules: one job and one schedule for each channel and lane. */
final class RecordingAnswers {
    private final SimRecorder recorder;

    private record Lane(SimChannel channel, String name) {
        String token() {
            return channel.laneToken(name);
        }
    }

    private static final int MOST_SCHEDULES = 256;

    RecordingAnswers(SimRecorder recorder) {
        this.recorder = recorder;
    }

    private List<Lane> lanes() {
        return recorder.channels.stream()
                .flatMap(c -> c.lanes.keySet().stream().map(name -> new Lane(c, name)))
                .toList();
    }

    /** A channel that uses the schedules of another has none of its own. */
    private Lane scheduleOf(Lane lane) {
        var owner = recorder.sharing.get(lane.channel().place);
        return owner == null || recorder.ownSchedules.containsKey(lane.token())
                ? lane
                : new Lane(recorder.channel(owner), lane.name());
    }

    private String scheduleToken(Lane lane) {
        var of = scheduleOf(lane);
        return recorder.ownSchedules.getOrDefault(of.token(), "S" + of.token());
    }

    private Lane lane(String prefix, String token, String missing) {
        return lanes().stream()
                .filter(l -> token.equals(prefix + l.token()))
                .findFirst()
                .orElseThrow(() -> SimSoapFault.wrongValue(missing, "Unknown token " + token));
    }

    String recordings() {
        return "<trc:GetRecordingsResponse>"
                + join(
                        recorder.channels.stream()
                                .map(
                                        c -> "<trc:RecordingItem><tt:RecordingToken>R" + c.place
                                                + "</tt:RecordingToken><tt:Configuration>" + configuration(c)
                                                + "</tt:Configuration><tt:Tracks><tt:Track><tt:TrackToken>VIDEO</tt:TrackToken><tt:Configuration><tt:TrackType>Video</tt:TrackType><tt:Description>video</tt:Description></tt:Configuration></tt:Track></tt:Tracks></trc:RecordingItem>"))
                + "</trc:GetRecordingsResponse>";
    }

    String recordingConfiguration(Element operation) {
        return "<trc:GetRecordingConfigurationResponse><trc:RecordingConfiguration>"
                + configuration(recording(operation))
                + "</trc:RecordingConfiguration></trc:GetRecordingConfigurationResponse>";
    }

    private String configuration(SimChannel c) {
        return "<tt:Source><tt:SourceId>"
                + Xml.escape(recorder.model.foreign() ? c.token : "urn:source:" + c.place) + "</tt:SourceId><tt:Name>"
                + Xml.escape(c.deviceName)
                + "</tt:Name><tt:Location/><tt:Description/><tt:Address/></tt:Source><tt:Content>channel " + c.place
                + "</tt:Content><tt:MaximumRetentionTime>P" + c.retentionDays + "D</tt:MaximumRetentionTime>"
                + "<tt:Target><tt:Storage>disk-1</tt:Storage></tt:Target>";
    }

    private SimChannel recording(Element operation) {
        var token = Xml.text(operation, "RecordingToken").orElse("");
        return recorder.channels.stream()
                .filter(c -> token.equals("R" + c.place))
                .findFirst()
                .orElseThrow(() -> SimSoapFault.wrongValue("NoRecording", "Unknown recording " + token));
    }

    String setRecording(Element operation) {
        var channel = recording(operation);
        var days = Xml.text(operation, "MaximumRetentionTime")
                .filter(t -> t.matches("P\\d+D"))
                .map(t -> Integer.parseInt(t.substring(1, t.length() - 1)))
                .orElseThrow(() -> SimSoapFault.wrongValue("BadConfiguration", "MaximumRetentionTime"));
        if (Xml.text(operation, "Storage").filter("disk-1"::equals).isEmpty()) {
            throw SimSoapFault.wrongValue("BadConfiguration", "The target was dropped");
        }
        recorder.change(channel, () -> channel.retentionDays = days);
        return "<trc:SetRecordingConfigurationResponse/>";
    }

    String jobs() {
        return "<trc:GetRecordingJobsResponse>"
                + join(lanes().stream()
                        .map(l -> "<trc:JobItem><tt:JobToken>J" + l.token() + "</tt:JobToken>" + job(l, "tt")
                                + "</trc:JobItem>"))
                + "</trc:GetRecordingJobsResponse>";
    }

    private String job(Lane lane, String prefix) {
        var c = lane.channel();
        var topic = SimModel.TOPICS.get(lane.name());
        var filter = topic == null
                ? ""
                : "<tt:EventFilter><tt:Filter><tt:Topic Dialect=\"http://www.onvif.org/ver10/tev/topicExpression/ConcreteSet\">"
                        + topic + "</tt:Topic></tt:Filter><tt:Before>PT" + c.before + "S</tt:Before><tt:After>PT"
                        + c.after
                        + "S</tt:After></tt:EventFilter>";
        var schedule = recorder.model.unscheduled() ? "" : " ScheduleToken=\"" + Xml.escape(scheduleToken(lane)) + "\"";
        return "<" + prefix + ":JobConfiguration" + schedule + "><tt:RecordingToken>R" + c.place
                + "</tt:RecordingToken><tt:Mode>" + (c.active ? "Active" : "Idle")
                + "</tt:Mode><tt:Priority>1</tt:Priority><tt:Source>" + source(c)
                + "<tt:Tracks><tt:SourceTag>video</tt:SourceTag><tt:Destination>VIDEO</tt:Destination></tt:Tracks></tt:Source>"
                + filter + "</" + prefix + ":JobConfiguration>";
    }

    String jobConfiguration(Element operation) {
        var lane = lane("J", Xml.text(operation, "JobToken").orElse(""), "NoRecordingJob");
        return "<trc:GetRecordingJobConfigurationResponse>" + job(lane, "trc")
                + "</trc:GetRecordingJobConfigurationResponse>";
    }

    /** The foreign one names a receiver, in the form that is the standard's own when none is said. */
    private String source(SimChannel c) {
        return recorder.model.foreign()
                ? "<tt:SourceToken><tt:Token>RCV" + c.place + "</tt:Token></tt:SourceToken>"
                : "<tt:SourceToken Type=\"http://www.onvif.org/ver10/schema/Profile\"><tt:Token>P" + c.place
                        + "</tt:Token></tt:SourceToken>";
    }

    String setJob(Element operation) {
        var lane = lane("J", Xml.text(operation, "JobToken").orElse(""), "NoRecordingJob");
        var channel = lane.channel();
        var configuration = Xml.first(operation, "JobConfiguration")
                .orElseThrow(() -> SimSoapFault.wrongValue("BadConfiguration", "No configuration"));
        var schedule = recorder.model.unscheduled() ? "" : scheduleToken(lane);
        var given = configuration.getAttribute("ScheduleToken");
        var loose = recorder.looseSchedules.get(given);
        if (!given.equals(schedule) && loose == null
                || Xml.first(configuration, "Tracks").isEmpty()) {
            throw SimSoapFault.wrongValue("BadConfiguration", "The schedule or the tracks were dropped");
        }
        int before = seconds(configuration, "Before", channel.before, recorder.model.before());
        int after = seconds(configuration, "After", channel.after, recorder.model.after());
        boolean active =
                Xml.text(configuration, "Mode").filter("Active"::equals).isPresent();
        recorder.change(channel, () -> {
            channel.before = before;
            channel.after = after;
            channel.active = active;
            if (loose != null) {
                recorder.looseSchedules.remove(given);
                recorder.ownSchedules.put(lane.token(), given);
                channel.schedule(lane.name(), loose.minutes());
                channel.specialDays.put(lane.name(), loose.specialDays());
            }
        });
        return "<trc:SetRecordingJobConfigurationResponse>" + job(lane, "trc")
                + "</trc:SetRecordingJobConfigurationResponse>";
    }

    private int seconds(Element configuration, String name, int otherwise, SimParameter rule) {
        int given = Xml.text(configuration, name)
                .map(t -> (int) Duration.parse(t).toSeconds())
                .orElse(otherwise);
        return rule.held(Integer.toString(given), recorder.model.clamps(), 0)
                .map(Integer::valueOf)
                .orElseThrow(
                        () -> SimSoapFault.wrongValue("BadConfiguration", name + " is not one of the allowed values"));
    }

    String setJobMode(Element operation) {
        var lane = lane("J", Xml.text(operation, "JobToken").orElse(""), "NoRecordingJob");
        var mode = Xml.text(operation, "Mode").orElse("");
        if (!mode.equals("Active") && !mode.equals("Idle")) {
            throw SimSoapFault.wrongValue("BadMode", "Unknown mode " + mode);
        }
        recorder.change(lane.channel(), () -> lane.channel().active = mode.equals("Active"));
        return "<trc:SetRecordingJobModeResponse/>";
    }

    String jobState(Element operation) {
        var lane = lane("J", Xml.text(operation, "JobToken").orElse(""), "NoRecordingJob");
        var channel = lane.channel();
        boolean records = channel.records(lane.name(), recorder.localTime().toLocalDateTime())
                || lane.name().equals("motion") && new SimLife(recorder, channel).recordsMotion();
        var state = records ? "Active" : "Idle";
        return "<trc:GetRecordingJobStateResponse><trc:State><tt:RecordingToken>R" + channel.place
                + "</tt:RecordingToken><tt:State>" + state + "</tt:State><tt:Sources>"
                + "<tt:SourceToken Type=\"http://www.onvif.org/ver10/schema/Profile\"><tt:Token>P" + channel.place
                + "</tt:Token></tt:SourceToken><tt:State>" + state + "</tt:State><tt:Tracks><tt:Track>"
                + "<tt:SourceTag>video</tt:SourceTag><tt:Destination>VIDEO</tt:Destination><tt:State>" + state
                + "</tt:State></tt:Track></tt:Tracks></tt:Sources></trc:State></trc:GetRecordingJobStateResponse>";
    }

    String schedules(Element operation) {
        int limit = Xml.text(operation, "Limit").map(Integer::valueOf).orElse(100);
        int from = Xml.text(operation, "StartReference").map(Integer::valueOf).orElse(0);
        var all = recorder.model.unscheduled()
                ? List.<Lane>of()
                : lanes().stream().filter(l -> scheduleOf(l).equals(l)).toList();
        var items = Stream.concat(
                        all.stream().map(this::schedule),
                        recorder.looseSchedules.entrySet().stream()
                                .map(e -> e.getValue().xml(e.getKey())))
                .toList();
        int to = Math.min(items.size(), from + Math.min(limit, 128));
        return "<tsc:GetScheduleListResponse>"
                + (to < items.size() ? "<tsc:NextStartReference>" + to + "</tsc:NextStartReference>" : "")
                + join(IntStream.range(from, to).mapToObj(items::get))
                + "</tsc:GetScheduleListResponse>";
    }

    private String schedule(Lane lane) {
        var channel = lane.channel();
        var minutes = channel.lanes.getOrDefault(lane.name(), new BitSet());
        return new SimSchedule(
                        lane.name(),
                        channel.oddSchedule.orElseGet(() -> recorder.model.foreign()
                                ? SimCalendar.writeOtherwise(minutes, lane.name())
                                : SimCalendar.write(minutes, lane.name())),
                        minutes,
                        channel.specialDays.getOrDefault(lane.name(), Map.of()))
                .xml(scheduleToken(lane));
    }

    /** Makes a schedule by which nobody goes yet. */
    String createSchedule(Element operation) {
        if (recorder.model.unscheduled()) {
            throw new SimSoapFault("Receiver", "ActionNotSupported", "", "No schedules here");
        }
        var schedule =
                Xml.first(operation, "Schedule").orElseThrow(() -> SimSoapFault.wrongValue("NotFound", "No schedule"));
        if (!schedule.getAttribute("token").isEmpty()) {
            throw new SimSoapFault(
                    "Sender", "CapabilityViolated", "ClientSuppliedTokenSupported", "The token is ours to give");
        }
        int most = Integer.parseInt(recorder.quirks.getOrDefault("Schedules.Most", "" + MOST_SCHEDULES));
        if (lanes().size() + recorder.looseSchedules.size() >= most) {
            throw new SimSoapFault("Sender", "CapabilityViolated", "MaxSchedules", "No room for another schedule");
        }
        var fresh = read(schedule);
        var token = "N" + recorder.scheduleNumbers.incrementAndGet();
        recorder.change(() -> recorder.looseSchedules.put(token, fresh));
        return "<tsc:CreateScheduleResponse><tsc:Token>" + token + "</tsc:Token></tsc:CreateScheduleResponse>";
    }

    private SimSchedule read(Element schedule) {
        var text = Xml.text(schedule, "Standard").orElse("");
        if (recorder.quirks.containsKey("Schedules.NoEmpty") && !text.contains("BEGIN:VEVENT")) {
            throw SimSoapFault.wrongValue("InvalidSchedule", "A schedule has at least one event");
        }
        return new SimSchedule(
                Xml.text(schedule, "Name").orElse(""),
                text,
                SimCalendar.read(text),
                SimDayGroup.readEntries(schedule, recorder));
    }

    String dayGroups() {
        return "<tsc:GetSpecialDayGroupListResponse>"
                + join(recorder.dayGroups.values().stream().map(SimDayGroup::xml))
                + "</tsc:GetSpecialDayGroupListResponse>";
    }

    /** Makes a group, or replaces one. */
    String takeDayGroup(Element operation, boolean fresh) {
        SimDayGroup.requireSupport(recorder.model);
        var given = SimDayGroup.read(operation, recorder, fresh);
        recorder.change(() -> recorder.dayGroups.put(given.token(), given));
        return fresh
                ? "<tsc:CreateSpecialDayGroupResponse><tsc:Token>" + given.token()
                        + "</tsc:Token></tsc:CreateSpecialDayGroupResponse>"
                : "<tsc:ModifySpecialDayGroupResponse/>";
    }

    String modifySchedule(Element operation) {
        var schedule =
                Xml.first(operation, "Schedule").orElseThrow(() -> SimSoapFault.wrongValue("NotFound", "No schedule"));
        var token = schedule.getAttribute("token");
        if (recorder.looseSchedules.containsKey(token)) {
            var changed = read(schedule);
            recorder.change(() -> recorder.looseSchedules.put(token, changed));
            return "<tsc:ModifyScheduleResponse/>";
        }
        var lane = lanes().stream()
                .filter(l -> scheduleOf(l).equals(l) && scheduleToken(l).equals(token))
                .findFirst()
                .orElseThrow(() -> SimSoapFault.wrongValue("NotFound", "Unknown token " + token));
        var changed = read(schedule);
        recorder.change(lane.channel(), () -> {
            lane.channel().schedule(lane.name(), changed.minutes());
            lane.channel().specialDays.put(lane.name(), changed.specialDays());
        });
        return "<tsc:ModifyScheduleResponse/>";
    }
}
