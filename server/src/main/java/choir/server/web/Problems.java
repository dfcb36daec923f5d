package choir.server.web;

import choir.document.DocumentException;
import choir.fleet.SelectionException;
import choir.link.LinkException;
import choir.refusal.Refusal;
import choir.server.db.StorageException;
import java.util.Locale;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Every error as problem details (RFC 9457), none with a stack trace. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

    @ExceptionHandler
    ProblemDetail problem(Problem e) {
        var detail = ProblemDetail.forStatusAndDetail(e.kind().status(), String.valueOf(e.getMessage()));
        if (e.kind() == Problem.Kind.CODE_NEEDED) {
            detail.setProperty("code", "code_needed");
        }
        return detail;
    }

    @ExceptionHandler
    ProblemDetail document(DocumentException e) {
        var detail = ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, String.valueOf(e.getMessage()));
        detail.setProperty("faults", e.faults());
        return detail;
    }

    @ExceptionHandler
    ProblemDetail selection(SelectionException e) {
        var detail = ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, String.valueOf(e.getMessage()));
        detail.setProperty("position", e.position());
        return detail;
    }

    /** Something that was said cannot be taken; the message is made for people. */
    @ExceptionHandler
    ProblemDetail refused(Refusal e) {
        var detail = ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, String.valueOf(e.getMessage()));
        detail.setProperty("code", e.code().name().toLowerCase(Locale.ROOT));
        return detail;
    }

    @ExceptionHandler
    ProblemDetail recorder(LinkException e) {
        var detail = ProblemDetail.forStatusAndDetail(HttpStatus.BAD_GATEWAY, String.valueOf(e.getMessage()));
        e.presented().ifPresent(fingerprint -> detail.setProperty("fingerprint", fingerprint.text()));
        return detail;
    }

    /** Said in the log by who found it. */
    @ExceptionHandler
    ProblemDetail notStored(StorageException e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, String.valueOf(e.getMessage()));
    }

    /** The one who writes was busy for longer than anybody waits; nothing was begun. */
    @ExceptionHandler
    ProblemDetail busy(CannotCreateTransactionException e) {
        LOG.warn("a change waited in vain for others: {}", e.getMessage());
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.SERVICE_UNAVAILABLE,
                "others' changes took so long that this one was not begun, and nothing was stored; try again");
    }

    @ExceptionHandler
    ProblemDetail storage(DataAccessException e) {
        LOG.error("the database refused", e);
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "the database refused the change and nothing was stored; is the disk full or the data folder read-only?");
    }

    @ExceptionHandler
    ProblemDetail anything(RuntimeException e) {
        LOG.error("a request failed", e);
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.INTERNAL_SERVER_ERROR, "the service failed; its log says more");
    }

    @Override
    protected @org.jspecify.annotations.Nullable ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        var cause = e.getMostSpecificCause();
        var detail = cause instanceof Refusal
                ? String.valueOf(cause.getMessage())
                : "the body is not the JSON that was expected";
        return ResponseEntity.badRequest().body(ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, detail));
    }
}
