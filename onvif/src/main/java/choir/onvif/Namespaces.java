package choir.onvif;

/** The namespaces of the open device standard that this client uses. */
final class Namespaces {
    static final String ENVELOPE = "http://www.w3.org/2003/05/soap-envelope";
    static final String SCHEMA = "http://www.onvif.org/ver10/schema";
    static final String DEVICE = "http://www.onvif.org/ver10/device/wsdl";
    static final String MEDIA = "http://www.onvif.org/ver10/media/wsdl";
    static final String MEDIA2 = "http://www.onvif.org/ver20/media/wsdl";
    static final String ANALYTICS = "http://www.onvif.org/ver20/analytics/wsdl";
    static final String RECORDING = "http://www.onvif.org/ver10/recording/wsdl";
    static final String RECEIVER = "http://www.onvif.org/ver10/receiver/wsdl";
    static final String SEARCH = "http://www.onvif.org/ver10/search/wsdl";
    static final String REPLAY = "http://www.onvif.org/ver10/replay/wsdl";
    static final String EVENTS = "http://www.onvif.org/ver10/events/wsdl";
    static final String SCHEDULE = "http://www.onvif.org/ver10/schedule/wsdl";
    static final String SECURITY = "http://docs.oasis-open.org/wss/2004/01/oasis-200401-wss-wssecurity-secext-1.0.xsd";
    static final String SECURITY_UTILITY =
            "http://docs.oasis-open.org/wss/2004/01/oasis-200401-wss-wssecurity-utility-1.0.xsd";

    private Namespaces() {}
}
