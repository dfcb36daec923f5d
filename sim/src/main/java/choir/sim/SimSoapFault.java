package choir.sim;

/** A refusal in the standard's own codes. */
final class SimSoapFault extends RuntimeException {
    final String code;
    final String subcode;
    final String second;

    SimSoapFault(String code, String subcode, String second, String reason) {
        super(reason);
        this.code = code;
        this.subcode = subcode;
        this.second = second;
    }

    static SimSoapFault wrongValue(String second, String reason) {
        return new SimSoapFault("Sender", "InvalidArgVal", second, reason);
    }

    static SimSoapFault notAuthorized() {
        return new SimSoapFault("Sender", "NotAuthorized", "", "The sender is not authorized");
    }

    int status() {
        return code.equals("Sender") ? 400 : 500;
    }

    private static String sub(String value, String inner) {
        return value.isEmpty()
                ? ""
                : "<env:Subcode><env:Value>ter:" + value + "</env:Value>" + inner + "</env:Subcode>";
    }

    String xml() {
        return "<env:Fault><env:Code><env:Value>env:" + code + "</env:Value>" + sub(subcode, sub(second, ""))
                + "</env:Code><env:Reason><env:Text xml:lang=\"en\">"
                + Xml.escape(String.valueOf(getMessage())) + "</env:Text></env:Reason></env:Fault>";
    }
}
