package choir.server.web;

import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What the OpenAPI document says beyond what is read off the controllers. */
@Configuration
class InterfaceDocument {
    @Bean
    OpenAPI document() {
        return new OpenAPI()
                .info(new Info().title("Choir").version("1"))
                .servers(List.of(new Server().url("/").description("this service")));
    }

    @Bean
    ModelConverter requiredComponents() {
        return new RequiredComponents();
    }

    /** A record's component is always there unless it is marked as one that may be missing. */
    private static final class RequiredComponents implements ModelConverter {
        @Override
        public @Nullable Schema<?> resolve(
                AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
            if (!chain.hasNext()) {
                return null;
            }
            Schema<?> schema = chain.next().resolve(type, context, chain);
            var raw = Json.mapper().constructType(type.getType()).getRawClass();
            if (schema != null && raw.isRecord()) {
                Schema<?> model = schema.get$ref() == null
                        ? schema
                        : context.getDefinedModels()
                                .get(schema.get$ref().substring(schema.get$ref().lastIndexOf('/') + 1));
                if (model != null && model.getProperties() != null) {
                    model.setRequired(Arrays.stream(raw.getRecordComponents())
                            .filter(c -> !CompleteBodies.mayBeMissing(c))
                            .map(RecordComponent::getName)
                            .sorted()
                            .toList());
                }
            }
            return schema;
        }
    }
}
