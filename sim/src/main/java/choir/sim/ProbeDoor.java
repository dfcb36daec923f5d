package choir.sim;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.UUID;

/** Answers directed probes (WS-Discovery of April 2005), one datagram for each recorder that is not away. */
final class ProbeDoor implements AutoCloseable {
    @SuppressWarnings("InlineFormatString")
    private static final String MATCH = """
            <?xml version="1.0" encoding="UTF-8"?>
            <env:Envelope xmlns:env="http://www.w3.org/2003/05/soap-envelope" \
            xmlns:a="http://schemas.xmlsoap.org/ws/2004/08/addressing" \
            xmlns:d="http://schemas.xmlsoap.org/ws/2005/04/discovery" \
            xmlns:dn="http://www.onvif.org/ver10/network/wsdl" xmlns:tds="http://www.onvif.org/ver10/device/wsdl">\
            <env:Header><a:Action>http://schemas.xmlsoap.org/ws/2005/04/discovery/ProbeMatches</a:Action>\
            <a:MessageID>urn:uuid:%s</a:MessageID><a:RelatesTo>%s</a:RelatesTo>\
            <a:To>http://schemas.xmlsoap.org/ws/2004/08/addressing/role/anonymous</a:To></env:Header><env:Body>\
            <d:ProbeMatches><d:ProbeMatch><a:EndpointReference><a:Address>urn:uuid:%s</a:Address></a:EndpointReference>\
            <d:Types>dn:NetworkVideoTransmitter tds:Device</d:Types><d:Scopes>%s</d:Scopes><d:XAddrs>%s</d:XAddrs>\
            <d:MetadataVersion>1</d:MetadataVersion></d:ProbeMatch></d:ProbeMatches></env:Body></env:Envelope>""";

    private final DatagramSocket socket;
    private final Map<String, SimRecorder> recorders;
    private final int port;

    ProbeDoor(Map<String, SimRecorder> recorders, int port) throws IOException {
        this.recorders = recorders;
        this.port = port;
        this.socket = new DatagramSocket(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        Thread.ofPlatform().daemon().name("probes").start(this::listen);
    }

    private void listen() {
        var buffer = new byte[65_000];
        while (!socket.isClosed()) {
            try {
                var packet = new DatagramPacket(buffer, buffer.length);
                socket.receive(packet);
                answer(packet);
            } catch (IOException | SimSoapFault e) {
                // Closed, or something that is no probe: nobody is waiting for an answer.
            }
        }
    }

    private void answer(DatagramPacket packet) throws IOException {
        var probe =
                Xml.parse(Arrays.copyOf(packet.getData(), packet.getLength())).getDocumentElement();
        if (Xml.first(probe, "Probe").isEmpty()) {
            return;
        }
        var message = Xml.escape(Xml.text(probe, "MessageID").orElse(""));
        for (var recorder : recorders.values()) {
            if (recorder.faults.has(SimFault.AWAY)) {
                continue;
            }
            var text = MATCH.formatted(
                            UUID.randomUUID(),
                            message,
                            UUID.nameUUIDFromBytes(recorder.name.getBytes(StandardCharsets.UTF_8)),
                            scopes(recorder),
                            recorder.tlsPort
                                            .map(tls -> "https://127.0.0.1:" + tls)
                                            .orElse("http://127.0.0.1:" + port)
                                    + "/" + recorder.name + "/device_service")
                    .getBytes(StandardCharsets.UTF_8);
            socket.send(new DatagramPacket(text, text.length, packet.getSocketAddress()));
        }
    }

    private static String scopes(SimRecorder recorder) {
        return "onvif://www.onvif.org/Profile/G onvif://www.onvif.org/name/" + recorder.name
                + " onvif://www.onvif.org/hardware/" + recorder.model.model()
                + " onvif://www.onvif.org/manufacturer/" + recorder.model.maker();
    }

    @Override
    public void close() {
        socket.close();
    }
}
