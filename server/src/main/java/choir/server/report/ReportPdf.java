package choir.server.report;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.GregorianCalendar;
import org.apache.pdfbox.pdmodel.PDDocument;

/** A report as PDF with its letters in it; the same report gives the same bytes. */
final class ReportPdf {
    private static final String LETTERS = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    static {
        XRLog.setLoggingEnabled(false);
    }

    private ReportPdf() {}

    static byte[] of(Report report) {
        var out = new ByteArrayOutputStream();
        var builder = new PdfRendererBuilder();
        builder.withHtmlContent(ReportHtml.of(report, ReportHtml.Fonts.PAPER), null);
        builder.useFont(() -> PDDocument.class.getResourceAsStream(LETTERS), "Report");
        // Nothing outside the page is ever fetched for it.
        builder.useUriResolver((base, uri) -> null);
        builder.withProducer("Choir");
        try (var renderer = builder.buildPdfRenderer()) {
            renderer.layout();
            renderer.createPDFWithoutClosing();
            try (var document = renderer.getPdfDocument()) {
                settle(document, report);
                document.save(out);
            }
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What would be of the moment at which it is made is of the span instead. */
    private static void settle(PDDocument document, Report report) {
        var end =
                GregorianCalendar.from(report.span().end().atZone(report.span().zone()));
        document.getDocumentInformation().setCreationDate(end);
        document.getDocumentInformation().setModificationDate(end);
        document.getDocumentInformation().setTitle("What was in tune, and what was not");
        document.setDocumentId(
                report.span().first().toEpochDay() * 1_000 + report.select().hashCode());
    }
}
