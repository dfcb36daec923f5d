package choir.server.link;

import choir.link.ChannelWrite;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.Playing;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.link.RecorderReading;
import choir.link.SelfDescription;
import choir.link.Writing;
import choir.link.Written;
import java.net.URI;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Speaks to recorders at allowed addresses alone, also to those that were added while more was allowed. */
public final class GuardedLink implements RecorderLink {
    private final RecorderLink link;
    private final AllowedAddresses allowed;

    public GuardedLink(RecorderLink link, AllowedAddresses allowed) {
        this.link = link;
        this.allowed = allowed;
    }

    private RecorderAccess checked(RecorderAccess access) {
        allowed.refusal(access.address()).ifPresent(why -> {
            throw new LinkException(Reason.UNREACHABLE, why);
        });
        return access;
    }

    @Override
    public RecorderReading read(RecorderAccess access) {
        return link.read(checked(access));
    }

    @Override
    public Writing write(RecorderAccess access, List<ChannelWrite> writes) {
        try {
            return link.write(checked(access), writes);
        } catch (LinkException refused) {
            Map<String, Written> all = new LinkedHashMap<>();
            writes.forEach(w -> all.put(w.channel(), new Written.BrokenOff(Set.of(), refused)));
            return new Writing(all, Optional.empty());
        }
    }

    @Override
    public SelfDescription describe(RecorderAccess access) {
        return link.describe(checked(access));
    }

    @Override
    public byte[] still(RecorderAccess access, String channel) {
        return link.still(checked(access), channel);
    }

    @Override
    public List<String> disagreements(RecorderAccess access) {
        return link.disagreements(checked(access));
    }

    @Override
    public void changePassword(RecorderAccess access, String fresh) {
        link.changePassword(checked(access), fresh);
    }

    @Override
    public void tryPassword(RecorderAccess access) {
        link.tryPassword(checked(access));
    }

    @Override
    public String command(RecorderAccess access, String command) {
        return link.command(checked(access), command);
    }

    @Override
    public ClockSet setClock(RecorderAccess access) {
        return link.setClock(checked(access));
    }

    @Override
    public Optional<Map<String, Kept>> kept(RecorderAccess access) {
        return link.kept(checked(access));
    }

    @Override
    public Optional<History> history(RecorderAccess access, String channel, Instant from, Instant until) {
        return link.history(checked(access), channel, from, until);
    }

    @Override
    public Optional<Recall> recall(RecorderAccess access, List<Stretch> stretches) {
        return link.recall(checked(access), stretches);
    }

    @Override
    public Optional<URI> stream(RecorderAccess access, String channel) {
        return link.stream(checked(access), channel);
    }

    @Override
    public Optional<URI> replay(RecorderAccess access, String channel) {
        return link.replay(checked(access), channel);
    }

    @Override
    public Optional<Playing> playLive(RecorderAccess access, String channel) {
        return link.playLive(checked(access), channel);
    }

    @Override
    public Optional<Playing> playRecorded(
            RecorderAccess access, String channel, Instant from, Instant until, boolean keyPictures) {
        return link.playRecorded(checked(access), channel, from, until, keyPictures);
    }

    @Override
    public Optional<Subscription> subscribe(RecorderAccess access) {
        return link.subscribe(checked(access));
    }

    @Override
    public Optional<Told> pull(RecorderAccess access, Subscription subscription) {
        return link.pull(checked(access), subscription);
    }

    @Override
    public void unsubscribe(RecorderAccess access, Subscription subscription) {
        link.unsubscribe(checked(access), subscription);
    }
}
