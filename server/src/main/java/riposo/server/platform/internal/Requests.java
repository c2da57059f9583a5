package riposo.server.platform.internal;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.function.UnaryOperator;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.convert.converter.Converter;
import org.springframework.core.convert.converter.ConverterFactory;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import riposo.core.typed.Days;
import riposo.core.typed.PlainText;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.cfg.CoercionAction;
import tools.jackson.databind.cfg.CoercionInputShape;
import tools.jackson.databind.deser.jdk.NumberDeserializers;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.ext.javatime.deser.LocalDateDeserializer;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.type.LogicalType;

/**
 * How what is sent is read, in bodies and addresses alike: texts without what cannot be seen, days
 * in their one range, numbers that are numbers, no list with a hole, nothing bent into a type it is
 * not.
 */
@Configuration
class Requests implements WebMvcConfigurer {
  @Override
  public void addFormatters(FormatterRegistry registry) {
    registry.addConverter(String.class, String.class, PlainText::of);
    registry.addConverter(String.class, LocalDate.class, Requests::day);
    registry.addConverterFactory(new Words());
  }

  /** A word of a list of words; an empty one, in a list too, is none of them. */
  @SuppressWarnings("rawtypes")
  private static final class Words implements ConverterFactory<String, Enum> {
    @Override
    @SuppressWarnings("unchecked")
    public <T extends Enum> Converter<String, T> getConverter(Class<T> type) {
      return s -> (T) Enum.valueOf(type, s);
    }
  }

  private static LocalDate day(String s) {
    try {
      return Days.within(LocalDate.parse(s));
    } catch (DateTimeException notOne) {
      throw new IllegalArgumentException("A date is year-month-day, such as 2027-02-12.");
    }
  }

  @Bean
  JsonMapperBuilderCustomizer strictly() {
    SimpleModule typed = new SimpleModule("typed");
    Then<Double> finite =
        new Then<>(
            Double.class,
            new NumberDeserializers.DoubleDeserializer(Double.class, null),
            Requests::finite);
    typed.addDeserializer(
        String.class, new Then<>(String.class, StringDeserializer.instance, PlainText::of));
    typed.addDeserializer(
        LocalDate.class, new Then<>(LocalDate.class, LocalDateDeserializer.INSTANCE, Days::within));
    typed.addDeserializer(Double.class, finite);
    typed.addDeserializer(double.class, finite);
    return b ->
        b.addModule(typed)
            .changeDefaultNullHandling(
                n -> n.withContentNulls(com.fasterxml.jackson.annotation.Nulls.FAIL))
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
            .withCoercionConfig(
                LogicalType.Enum,
                c ->
                    c.setCoercion(CoercionInputShape.Integer, CoercionAction.Fail)
                        .setCoercion(CoercionInputShape.EmptyString, CoercionAction.Fail));
  }

  private static Double finite(Double d) {
    if (!Double.isFinite(d)) {
      throw new IllegalArgumentException("A number is asked for.");
    }
    return d;
  }

  /** What a reader of a type gives, looked at or made plain. */
  private static final class Then<T> extends StdDeserializer<T> {
    private final ValueDeserializer<? extends T> read;
    private final UnaryOperator<T> then;

    Then(Class<T> type, ValueDeserializer<? extends T> read, UnaryOperator<T> then) {
      super(type);
      this.read = read;
      this.then = then;
    }

    @Override
    public T deserialize(JsonParser p, DeserializationContext c) {
      return then.apply(read.deserialize(p, c));
    }
  }
}
