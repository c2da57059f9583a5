package riposo.server.platform.internal;

import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.parameters.Parameter;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OperationCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpHeaders;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import riposo.server.platform.IfMatch;
import riposo.server.platform.Versions;

/** Reads the If-Match header where a handler asks for the version, and writes it into the API. */
@Configuration
class IfMatchResolver implements HandlerMethodArgumentResolver, WebMvcConfigurer {
  static {
    SpringDocUtils.getConfig().addAnnotationsToIgnore(IfMatch.class);
  }

  @Override
  public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
    resolvers.add(this);
  }

  @Override
  public boolean supportsParameter(MethodParameter parameter) {
    return parameter.hasParameterAnnotation(IfMatch.class);
  }

  @Override
  public @Nullable Object resolveArgument(
      MethodParameter parameter,
      @Nullable ModelAndViewContainer container,
      NativeWebRequest request,
      @Nullable WebDataBinderFactory binders) {
    String header = request.getHeader(HttpHeaders.IF_MATCH);
    return header == null && parameter.getParameterType() == Long.class
        ? null
        : Long.valueOf(Versions.of(header));
  }

  @Bean
  OperationCustomizer ifMatchInTheApi() {
    return (operation, handler) -> {
      if (Arrays.stream(handler.getMethodParameters()).anyMatch(this::supportsParameter)) {
        operation.addParametersItem(
            new Parameter()
                .name(HttpHeaders.IF_MATCH)
                .in("header")
                .required(false)
                .schema(new StringSchema()));
      }
      return operation;
    };
  }
}
