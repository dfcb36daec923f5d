package choir.server.notice;

import choir.drift.Severity;
import java.util.Map;

/**
 * Something that people want to hear of.
 *
 * @param kind one word: {@code findings}, {@code rollout}, {@code audit}, {@code plan} or {@code test}
 * @param facts the same for programs
 */
record Notice(String kind, Severity severity, String subject, String body, Map<String, Object> facts) {}
