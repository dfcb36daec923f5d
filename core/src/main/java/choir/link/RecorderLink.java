package choir.link;

import java.time.Duration;
import java.util.List;
import java.util.Optional;

/** The one door to devices. Calls block until the answer or the deadline, and may be made from many threads. */
public interface RecorderLink extends ChangeLink, FootageLink {
    /**
     * Reads everything that the recorder holds.
     *
     * @throws LinkException with the reason when it cannot be had
     */
    RecorderReading read(RecorderAccess access);

    /**
     * Writes the given values, channel by channel in one conversation, and leaves everything else as it is. What each
     * channel holds is looked at just before it is written, and one that has moved is left alone. Returns when the recorder
     * has taken the last of them and, where its family stops recording meanwhile, is seen to record again or is not for
     * long; whether the values took is to be read afterwards.
     *
     * @return for each channel how far it came; never fails as a whole
     */
    Writing write(RecorderAccess access, List<ChannelWrite> writes);

    /**
     * What the recorder says of its own abilities, for a family of its own.
     *
     * @throws LinkException with the reason when it cannot be had
     */
    SelfDescription describe(RecorderAccess access);

    /**
     * A still of what the channel sees now, as JPEG of at most 4 MiB.
     *
     * @throws LinkException with the reason when it cannot be had
     */
    byte[] still(RecorderAccess access, String channel);

    /**
     * Gives the user of the access another password at the recorder, and leaves its rights as they are.
     *
     * @throws LinkException when it was refused, or when it is not known whether it was taken
     */
    void changePassword(RecorderAccess access, String fresh);

    /**
     * Asks for something that needs the password, and for nothing else.
     *
     * @throws LinkException with {@code NOT_AUTHORIZED} when it is not the right one
     */
    void tryPassword(RecorderAccess access);

    /**
     * Sets the recorder's clock to the true time, by hand; its zone stays. A recorder that took its time from a server keeps
     * it by itself from then on.
     *
     * @throws LinkException when it was refused, or when it is not known whether it was taken
     */
    ClockSet setClock(RecorderAccess access);

    /**
     * @param before how far ahead the clock was; missing when it could not be read
     * @param after the same when it had been set
     * @param fromServer whether it took its time from a server before
     */
    record ClockSet(Optional<Duration> before, Optional<Duration> after, boolean fromServer) {}

    /**
     * Tells the recorder to do something that it does on demand, by an auxiliary command of the open standard.
     *
     * @return what it answered; may be empty
     * @throws LinkException with {@code NOT_SUPPORTED} where it does not know the command, or another reason when it was
     *     refused or is not known to have been taken
     */
    String command(RecorderAccess access, String command);

    /** How the recorder describes its ranges where they differ from the family file, in words; empty when they agree. */
    List<String> disagreements(RecorderAccess access);
}
