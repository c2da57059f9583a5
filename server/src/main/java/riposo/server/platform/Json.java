package riposo.server.platform;

import com.fasterxml.jackson.annotation.Nulls;
import java.time.LocalDate;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.ext.javatime.deser.LocalDateDeserializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/** JSON kept in text columns. */
@Component
public class Json {
  private final JsonMapper mapper;

  Json(JsonMapper mapper) {
    // What was stored under an older shape stays readable; requests are read strictly elsewhere.
    this.mapper =
        mapper
            .rebuild()
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .enable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
            .changeDefaultNullHandling(n -> n.withContentNulls(Nulls.SET))
            // a date from before dates had their range
            .addModule(
                new SimpleModule("stored")
                    .addDeserializer(LocalDate.class, LocalDateDeserializer.INSTANCE))
            .build();
  }

  public String write(Object value) {
    return mapper.writeValueAsString(value);
  }

  public <T> T read(String text, Class<T> type) {
    return mapper.readValue(text, type);
  }

  public <T> T read(String text, TypeReference<T> type) {
    return mapper.readValue(text, type);
  }
}
