package choir.onvif;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import javax.xml.stream.XMLStreamException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CodecTest {
    private static Element read(String xml) throws XMLStreamException {
        return ElementReader.read(new ByteArrayInputStream(xml.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void whatIsUnknownSurvivesAChange() throws Exception {
        var rule = """
                <x:Rule xmlns:x="http://www.onvif.org/ver20/analytics/wsdl" xmlns:q="urn:maker" \
                xmlns:tt="http://www.onvif.org/ver10/schema" Name="Motion" Type="q:Special" q:odd="1">\
                <tt:Parameters><tt:SimpleItem Name="A" Value="1"/><tt:SimpleItem Name="B" Value="a &amp; b"/>\
                <tt:ElementItem Name="C"><q:Thing>text</q:Thing></tt:ElementItem></tt:Parameters></x:Rule>""";
        var changed = read(rule)
                .changed(
                        i -> i.attribute("Name").filter("A"::equals).isPresent() ? i.withAttribute("Value", "2") : i,
                        "Parameters",
                        "SimpleItem");
        var again = read(ElementWriter.write(changed));
        assertThat(again.attribute("Type")).contains("q:Special");
        assertThat(again.namespaceOf("q:Special")).contains("urn:maker");
        assertThat(again.attribute("odd")).contains("1");
        assertThat(again.tree()
                        .filter(e -> e.is("SimpleItem"))
                        .map(e -> e.attribute("Value").orElse("")))
                .containsExactly("2", "a & b");
        assertThat(again.textAt("Parameters", "ElementItem", "Thing")).contains("text");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "not xml",
                "<a>",
                "<a></b>",
                "<!DOCTYPE a [<!ENTITY x \"y\">]><a>&x;</a>",
                "<!DOCTYPE a SYSTEM \"file:///etc/passwd\"><a/>",
                "<a>&undeclared;</a>",
                "<a:b/>"
            })
    void refusesWhatIsNoPlainDocument(String xml) {
        assertThatThrownBy(() -> read(xml)).isInstanceOf(XMLStreamException.class);
    }

    @Test
    void depthAndSizesAreBounded() {
        assertThatThrownBy(() -> read("<a>".repeat(100))).isInstanceOf(XMLStreamException.class);
        assertThatThrownBy(() -> read("<a>" + "x".repeat(2_000_000) + "</a>")).isInstanceOf(XMLStreamException.class);
        assertThatThrownBy(() -> read("<a b=\"" + "x".repeat(300_000) + "\"/>")).isInstanceOf(XMLStreamException.class);
    }

    @Test
    void passwordDigestHasTheKnownAnswer() {
        assertThat(UsernameToken.digest(
                        Base64.getDecoder().decode("LKqI6G/AikKCQrN0zqZFlg=="), "2010-09-16T07:50:45Z", "userpassword"))
                .isEqualTo("tuOSpGlFlIXsozq4HFNeeGeFLEI=");
    }
}
