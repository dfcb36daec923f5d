package choir.document;

import choir.refusal.Refusal;
import java.util.List;
import java.util.stream.Collectors;

/** A document that cannot be taken, with all that is wrong in it. */
public final class DocumentException extends Refusal {
    private final transient List<Fault> faults;

    public DocumentException(List<Fault> faults) {
        super(Code.DOCUMENT, faults.stream().map(Fault::toString).collect(Collectors.joining("\n")));
        this.faults = List.copyOf(faults);
    }

    public List<Fault> faults() {
        return faults;
    }
}
