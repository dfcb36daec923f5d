package choir.story;

import org.junit.jupiter.api.extension.ConditionEvaluationResult;
import org.junit.jupiter.api.extension.ExecutionCondition;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.TestWatcher;

/** The tests of a class tell one story: where one fails, those after it would only fail for want of what it made. */
final class OneStory implements TestWatcher, ExecutionCondition {
    private volatile String broken = "";

    @Override
    public void testFailed(ExtensionContext context, Throwable cause) {
        if (broken.isEmpty()) {
            broken = context.getDisplayName();
        }
    }

    @Override
    public ConditionEvaluationResult evaluateExecutionCondition(ExtensionContext context) {
        return broken.isEmpty()
                ? ConditionEvaluationResult.enabled("the story goes on")
                : ConditionEvaluationResult.disabled("the story broke at " + broken);
    }
}
