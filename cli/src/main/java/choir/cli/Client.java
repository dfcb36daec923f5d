package choir.cli;

import java.io.IOException;
import java.net.ConnectException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The service's network interface, as JSON. Everything that goes wrong is a {@link Failure} with one line. */
final class Client {
    static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int PAGE = 1000;

    /** An answer and the version of what it tells of. */
    record Answer(JsonNode body, Optional<String> version) {}

    private final URI service;
    private final Optional<String> token;
    private final HttpClient http = HttpClient.newBuilder()
            .version(HttpClient.Version.HTTP_1_1)
            .connectTimeout(Duration.ofSeconds(5))
            .build();

    Client(URI service, Optional<String> token) {
        this.service = service;
        this.token = token;
    }

    JsonNode get(String path) {
        return getWithVersion(path).body();
    }

    Answer getWithVersion(String path) {
        return send(request(path).GET().build());
    }

    /** All items of a list that comes in pages. */
    List<JsonNode> all(String path) {
        List<JsonNode> items = new ArrayList<>();
        String cursor = "";
        do {
            var page = get(path + (path.contains("?") ? "&" : "?") + "limit=" + PAGE
                    + (cursor.isEmpty() ? "" : "&after=" + encode(cursor)));
            page.get("items").forEach(items::add);
            cursor = page.path("next").asString("");
        } while (!cursor.isEmpty());
        return items;
    }

    JsonNode post(String path, Object body) {
        return write("POST", path, body, Optional.empty());
    }

    JsonNode write(String method, String path, Object body, Optional<String> version) {
        var request = request(path)
                .method(method, HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body)))
                .header("Content-Type", "application/json");
        version.ifPresent(v -> request.header("If-Match", v));
        return send(request.build()).body();
    }

    JsonNode delete(String path, Optional<String> version) {
        var request = request(path).DELETE();
        version.ifPresent(v -> request.header("If-Match", v));
        return send(request.build()).body();
    }

    /** Follows long work until it ends; tells of each step. */
    JsonNode follow(long work, Consumer<JsonNode> step) {
        var request = request("/api/v1/works/" + work + "/progress").GET().build();
        var last = JSON.createObjectNode();
        try (var lines = exchange(request, BodyHandlers.ofLines()).body()) {
            lines.filter(l -> l.startsWith("data:")).forEach(line -> {
                var state = JSON.readTree(line.substring("data:".length()));
                last.set("work", state);
                step.accept(state);
            });
        } catch (java.io.UncheckedIOException e) {
            throw new Failure(Failure.NOT_REACHABLE, "the service went away while it worked; see choir status later");
        }
        return get("/api/v1/works/" + work);
    }

    private HttpRequest.Builder request(String path) {
        var request = HttpRequest.newBuilder(service.resolve(path)).timeout(Duration.ofMinutes(30));
        token.ifPresent(t -> request.header("Authorization", "Bearer " + t));
        return request;
    }

    private Answer send(HttpRequest request) {
        var response = exchange(request, BodyHandlers.ofString());
        JsonNode body;
        try {
            body = response.body().isEmpty() ? JSON.nullNode() : JSON.readTree(response.body());
        } catch (JacksonException e) {
            throw new Failure(Failure.FAILED, service + " did not answer as Choir does; is it another program?");
        }
        if (response.statusCode() >= 400) {
            throw Failure.ofStatus(response.statusCode(), detail(body, response.statusCode()));
        }
        return new Answer(body, response.headers().firstValue("ETag"));
    }

    private static String detail(JsonNode body, int status) {
        return body.path("detail").asString("the service answered " + status);
    }

    private <T> HttpResponse<T> exchange(HttpRequest request, HttpResponse.BodyHandler<T> handler) {
        try {
            return http.send(request, handler);
        } catch (ConnectException e) {
            throw new Failure(
                    Failure.NOT_REACHABLE,
                    "no service answers at " + service + "; start one with: choir serve, or choir demo");
        } catch (IOException e) {
            throw new Failure(Failure.NOT_REACHABLE, "the service at " + service + " broke off: " + e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Failure(Failure.FAILED, "interrupted");
        }
    }

    static String encode(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    static String select(String path, String selection) {
        return selection.isBlank() ? path : path + "?select=" + encode(selection);
    }

    /** {@code haldr-1/07} as the end of an address; anything else is a wrong usage. */
    static String camera(String name) {
        var parts = name.split("/", -1);
        if (parts.length != 2 || parts[0].isEmpty() || parts[1].isEmpty()) {
            throw new Failure(
                    Failure.WRONG_USAGE,
                    "\"" + name + "\" is not a camera; expected recorder and channel, such as haldr-1/07");
        }
        return "/api/v1/cameras/" + encode(parts[0]) + "/" + encode(parts[1]);
    }

    static Map<String, Object> body() {
        return new java.util.LinkedHashMap<>();
    }
}
