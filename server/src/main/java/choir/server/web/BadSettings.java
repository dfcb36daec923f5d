package choir.server.web;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Settings with which the service does not start, said in one line. */
final class BadSettings extends IllegalStateException {
    BadSettings(String message) {
        super(message);
    }

    static final class Analyzer extends AbstractFailureAnalyzer<BadSettings> {
        @Override
        protected FailureAnalysis analyze(Throwable whole, BadSettings cause) {
            return new FailureAnalysis(cause.getMessage(), null, cause);
        }
    }
}
