package choir.server.web;

import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.Arrays;
import java.util.Collection;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.RequestBodyAdviceAdapter;

/** Refuses a request body that lacks something which its record does not mark as one that may be missing. */
@RestControllerAdvice
class CompleteBodies extends RequestBodyAdviceAdapter {
    @Override
    public boolean supports(MethodParameter parameter, Type type, Class<? extends HttpMessageConverter<?>> converter) {
        return type instanceof Class<?> c && c.isRecord();
    }

    @Override
    public Object afterBodyRead(
            Object body,
            HttpInputMessage message,
            MethodParameter parameter,
            Type type,
            Class<? extends HttpMessageConverter<?>> converter) {
        requireWhole(body, "the body");
        refuseHalves(body);
        return body;
    }

    /** Of records in records and lists as well; in lists and maps nothing is missing either. */
    private static void requireWhole(@Nullable Object value, String where) {
        switch (value) {
            case null -> throw new Problem(Problem.Kind.INVALID, where + " holds a null, where something is expected");
            case Collection<?> all -> all.forEach(item -> requireWhole(item, where));
            case Map<?, ?> map -> map.values().forEach(item -> requireWhole(item, where));
            case Record part -> {
                var missing = Arrays.stream(part.getClass().getRecordComponents())
                        .filter(c -> !mayBeMissing(c) && value(c, part) == null)
                        .map(c -> "\"" + c.getName() + "\"")
                        .collect(Collectors.joining(", "));
                if (!missing.isEmpty()) {
                    throw new Problem(Problem.Kind.INVALID, where + " lacks " + missing);
                }
                for (var component : part.getClass().getRecordComponents()) {
                    var inner = value(component, part);
                    if (inner != null) {
                        requireWhole(inner, "\"" + component.getName() + "\" of the body");
                    }
                }
            }
            default -> {
                // A text, a number or a truth is whole.
            }
        }
    }

    /** Half of a surrogate pair is no text: it could not be stored and read back. */
    private static void refuseHalves(@Nullable Object value) {
        switch (value) {
            case null -> {}
            case String text -> {
                if (text.codePoints().anyMatch(c -> c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE)) {
                    throw new Problem(Problem.Kind.INVALID, "a text of the body has half a character in it");
                }
            }
            case Collection<?> all -> all.forEach(CompleteBodies::refuseHalves);
            case Map<?, ?> map ->
                map.forEach((key, of) -> {
                    refuseHalves(key);
                    refuseHalves(of);
                });
            case Record part ->
                Arrays.stream(part.getClass().getRecordComponents()).forEach(c -> refuseHalves(value(c, part)));
            default -> {
                // Numbers and truths are never half.
            }
        }
    }

    static boolean mayBeMissing(RecordComponent component) {
        return component.getAnnotatedType().isAnnotationPresent(Nullable.class);
    }

    private static @Nullable Object value(RecordComponent component, Object body) {
        try {
            var accessor = component.getAccessor();
            accessor.setAccessible(true);
            return accessor.invoke(body);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(e);
        }
    }
}
