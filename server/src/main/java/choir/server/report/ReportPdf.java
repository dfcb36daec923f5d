package choir.server.report;

import choir.server.paper.Paper;

/** A report as PDF; what would be of the moment at which it is made is of its span instead. */
final class ReportPdf {
    private ReportPdf() {}

    static byte[] of(Report report) {
        return Paper.pdf(
                ReportHtml.of(report, Paper.Fonts.PAPER),
                ReportHtml.TITLE,
                report.span().end().atZone(report.span().zone()),
                report.span().first().toEpochDay() * 1_000 + report.select().hashCode());
    }
}
