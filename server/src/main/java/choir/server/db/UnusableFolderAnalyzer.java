package choir.server.db;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in one line why the service does not start on its data folder. */
final class UnusableFolderAnalyzer extends AbstractFailureAnalyzer<DataFolder.UnusableException> {
    @Override
    protected FailureAnalysis analyze(Throwable whole, DataFolder.UnusableException cause) {
        return new FailureAnalysis(cause.getMessage(), null, cause);
    }
}
