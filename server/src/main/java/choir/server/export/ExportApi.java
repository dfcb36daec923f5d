package choir.server.export;

import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Dates;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.WorkView;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Tables of what is known, for other programs. */
@RestController
class ExportApi {
    /**
     * A table that can be taken out.
     *
     * @param ofPast whether of any day; else only of today
     * @param columns in their order, as both forms call them
     */
    public record TableView(String name, boolean ofPast, List<String> columns) {}

    private final Tables tables;
    private final Works works;
    private final Database database;
    private final Journal journal;
    private final Clock clock;

    ExportApi(Tables tables, Works works, Database database, Journal journal, Clock clock) {
        this.tables = tables;
        this.works = works;
        this.database = database;
        this.journal = journal;
        this.clock = clock;
    }

    @GetMapping("/api/v1/exports")
    List<TableView> all() {
        return Arrays.stream(Dataset.values())
                .map(d -> new TableView(
                        d.word(),
                        d.ofPast(),
                        Arrays.stream(d.line().getRecordComponents())
                                .map(c -> TableForm.column(c.getName()))
                                .toList()))
                .toList();
    }

    /**
     * One table of one day.
     *
     * @param day a date; yesterday when not said, today of what is only known as it is now
     * @param form {@code parquet} or {@code csv}
     */
    @GetMapping("/api/v1/exports/{name}")
    ResponseEntity<StreamingResponseBody> one(
            @PathVariable String name,
            @RequestParam(required = false) @Nullable String day,
            @RequestParam(defaultValue = "parquet") String form,
            Principal who) {
        var dataset = Dataset.of(name);
        var as = TableForm.of(form);
        var today = LocalDate.now(clock);
        var date = day == null ? (dataset.ofPast() ? today.minusDays(1) : today) : Dates.parse(day);
        if (!dataset.ofPast() && !date.equals(today)) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "the " + name + " are only known as they are now, which is " + today
                            + "; an export each night keeps those of every day");
        }
        journal.add(who.getName(), "took a table out", name, date + " as " + as.word());
        var now = clock.instant().truncatedTo(ChronoUnit.SECONDS);
        StreamingResponseBody body =
                out -> as.write(dataset.line(), out, taken -> tables.lines(dataset, date, now, taken));
        return ResponseEntity.ok()
                .contentType(
                        as == TableForm.CSV
                                ? MediaType.parseMediaType("text/csv;charset=UTF-8")
                                : MediaType.parseMediaType("application/vnd.apache.parquet"))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("choir-" + name + "-" + date + "." + as.word())
                                .build()
                                .toString())
                .body(body);
    }

    /** Puts all tables into the service's folder, as a plan does each night. */
    @PostMapping("/api/v1/exports")
    ResponseEntity<WorkView> run(Principal who) {
        long id = database.write(() -> works.add(new Task.Export(), who.getName()));
        works.submit(id);
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/works/" + id))
                .body(WorkView.of(works.get(id)));
    }
}
