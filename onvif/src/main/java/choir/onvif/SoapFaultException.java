package choir.onvif;

import java.util.List;

/** A refusal by the device, with the local names of its codes from the outer to the inner one. */
final class SoapFaultException extends Exception {
    private final transient List<String> codes;

    SoapFaultException(List<String> codes, String reason) {
        super(reason);
        this.codes = List.copyOf(codes);
    }

    boolean is(String code) {
        return codes.contains(code);
    }

    /** Whichever of the two the device says, the password was not taken. */
    boolean isOfPassword() {
        return is("NotAuthorized") || is("FailedAuthentication");
    }

    boolean isNotSupported() {
        return is("ActionNotSupported") || is("UnknownAction");
    }

    static SoapFaultException of(Element fault) {
        var codes = fault.tree()
                .filter(e -> e.is("Value"))
                .map(e -> e.text().strip())
                .map(v -> v.substring(v.indexOf(':') + 1))
                .toList();
        var innermost = codes.isEmpty() ? "" : " (" + codes.getLast() + ")";
        return new SoapFaultException(codes, reason(fault) + innermost);
    }

    /** In English where the device says it in several languages, else as it says it first. */
    private static String reason(Element fault) {
        var texts = fault.child("Reason").stream().flatMap(r -> r.all("Text")).toList();
        return texts.stream()
                .filter(t -> t.attribute("lang").filter(l -> l.startsWith("en")).isPresent())
                .findFirst()
                .or(() -> texts.stream().findFirst())
                .map(t -> t.text().strip())
                .filter(t -> !t.isEmpty())
                .orElse("no reason given");
    }
}
