package choir.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import choir.document.DocumentException;
import choir.document.Fault;
import choir.fleet.Selection;
import choir.link.LinkException;
import choir.refusal.Refusal;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.ProblemDetail;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.method.annotation.ExceptionHandlerMethodResolver;

/** What each kind of exception becomes on the wire, by the handler that would be chosen for it. */
class ProblemsTest {
    private static final String OURS = "the service failed; its log says more";

    static Stream<Arguments> exceptions() {
        return Stream.of(
                Arguments.of(new Refusal("a week has seven days"), 400, "a week has seven days"),
                Arguments.of(refused(() -> Selection.parse("colour:red")), 400, "colour"),
                Arguments.of(new LinkException(LinkException.Reason.UNREACHABLE, "r1 is away"), 502, "r1 is away"),
                Arguments.of(new DataAccessResourceFailureException("disk I/O error"), 500, "nothing was stored"),
                Arguments.of(new CannotCreateTransactionException("secret"), 503, "nothing was stored; try again"),
                Arguments.of(new IllegalArgumentException("secret"), 500, OURS),
                Arguments.of(new IllegalStateException("secret"), 500, OURS),
                Arguments.of(new NumberFormatException("secret"), 500, OURS),
                Arguments.of(new NullPointerException("secret"), 500, OURS),
                Arguments.of(new ClassCastException("secret"), 500, OURS));
    }

    private static RuntimeException refused(Runnable act) {
        try {
            act.run();
        } catch (RuntimeException e) {
            return e;
        }
        throw new AssertionError("nothing was refused");
    }

    private static ProblemDetail told(Exception e) throws ReflectiveOperationException {
        var method = new ExceptionHandlerMethodResolver(Problems.class).resolveMethod(e);
        assertThat(method).as("a handler for " + e).isNotNull();
        method.setAccessible(true);
        return (ProblemDetail) method.invoke(new Problems(), e);
    }

    @ParameterizedTest
    @MethodSource("exceptions")
    void aPersonsMistakeIsToldAndOursIsNot(Exception e, int status, String words) throws Exception {
        var detail = told(e);
        assertThat(detail.getStatus()).isEqualTo(status);
        assertThat(detail.getDetail()).contains(words).doesNotContain("secret");
    }

    @Test
    void everyKindOfProblemHasAStatusOfItsOwn() throws Exception {
        var statuses = new HashSet<Integer>();
        for (var kind : Problem.Kind.values()) {
            var detail = told(new Problem(kind, "words for " + kind));
            assertThat(detail.getDetail()).isEqualTo("words for " + kind);
            assertThat(detail.getStatus()).isBetween(400, 502);
            statuses.add(detail.getStatus());
        }
        // A code is asked for by whoever is still signed out, and told from that by its name.
        assertThat(statuses).hasSize(Problem.Kind.values().length - 1);
        assertThat(told(new Problem(Problem.Kind.CODE_NEEDED, "w")).getProperties())
                .containsEntry("code", "code_needed");
    }

    @Test
    void aDocumentTellsEveryFaultAndARefusalItsCode() throws Exception {
        var fault = new Fault("a.yaml", 3, 7, "motion", "no such setting");
        var detail = told(new DocumentException(List.of(fault)));
        assertThat(detail.getStatus()).isEqualTo(422);
        assertThat(detail.getProperties()).containsEntry("faults", List.of(fault));
        for (var code : Refusal.Code.values()) {
            assertThat(told(new Refusal(code, "no")).getProperties())
                    .containsEntry("code", code.name().toLowerCase(java.util.Locale.ROOT));
        }
        assertThat(Arrays.asList(Refusal.Code.values())).isNotEmpty();
    }
}
