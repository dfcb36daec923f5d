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
        var missing = Arrays.stream(body.getClass().getRecordComponents())
                .filter(c -> !mayBeMissing(c) && value(c, body) == null)
                .map(c -> "\"" + c.getName() + "\"")
                .collect(Collectors.joining(", "));
        if (!missing.isEmpty()) {
            throw new Problem(Problem.Kind.INVALID, "the body lacks " + missing);
        }
        refuseHalves(body);
        return body;
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
