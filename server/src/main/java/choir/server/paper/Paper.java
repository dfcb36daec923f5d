package choir.server.paper;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.ZonedDateTime;
import java.util.GregorianCalendar;
import org.apache.pdfbox.pdmodel.PDDocument;

/** Pages for paper, from forms that ship with the program. */
public final class Paper {
    private static final String LETTERS = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    static {
        XRLog.setLoggingEnabled(false);
    }

    /** Which letters a page is set in. */
    public enum Fonts {
        SCREEN("system-ui, sans-serif", "ui-monospace, monospace"),
        /** Those that go into the file. */
        PAPER("Paper", "Paper");

        private final String text;
        private final String mono;

        Fonts(String text, String mono) {
            this.text = text;
            this.mono = mono;
        }

        public String text() {
            return text;
        }

        public String mono() {
            return mono;
        }
    }

    private Paper() {}

    /** A form in which everything is escaped, such as {@code /report/report.html}. */
    public static Template form(String name) {
        try (var in = Paper.class.getResourceAsStream(name)) {
            if (in == null) {
                throw new IllegalStateException("the form " + name + " is not in the program");
            }
            return Mustache.compiler()
                    .escapeHTML(true)
                    .emptyStringIsFalse(true)
                    .compile(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * A page as PDF with its letters in it; the same page gives the same bytes.
     *
     * @param html well-formed XML, set in {@link Fonts#PAPER}
     * @param at what stands in the file as the moment at which it was made
     * @param identity what tells it from others
     */
    public static byte[] pdf(String html, String title, ZonedDateTime at, long identity) {
        var out = new ByteArrayOutputStream();
        var builder = new PdfRendererBuilder();
        builder.withHtmlContent(html, null);
        builder.useFont(() -> PDDocument.class.getResourceAsStream(LETTERS), Fonts.PAPER.text());
        // Nothing outside the page is ever fetched for it.
        builder.useUriResolver((base, uri) -> null);
        builder.withProducer("Choir");
        try (var renderer = builder.buildPdfRenderer()) {
            renderer.layout();
            renderer.createPDFWithoutClosing();
            try (var document = renderer.getPdfDocument()) {
                var information = document.getDocumentInformation();
                information.setCreationDate(GregorianCalendar.from(at));
                information.setModificationDate(GregorianCalendar.from(at));
                information.setTitle(title);
                document.setDocumentId(identity);
                document.save(out);
            }
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
