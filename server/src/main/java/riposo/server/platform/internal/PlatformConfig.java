package riposo.server.platform.internal;

import com.fasterxml.jackson.databind.type.TypeFactory;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.UUID;
import org.hibernate.cfg.MultiTenancySettings;
import org.hibernate.context.spi.CurrentTenantIdentifierResolver;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.boot.hibernate.autoconfigure.HibernatePropertiesCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;
import riposo.server.platform.Sql;
import riposo.server.platform.StudioContext;

/** Clock, tenancy, the single page, and tight OpenAPI types. */
@Configuration
@org.springframework.data.jpa.repository.config.EnableJpaRepositories(
    basePackages = "riposo.server",
    considerNestedRepositories = true)
class PlatformConfig implements WebMvcConfigurer {
  @Bean
  @org.springframework.boot.autoconfigure.condition.ConditionalOnMissingBean
  riposo.server.platform.AsOfClock clock() {
    return new riposo.server.platform.AsOfClock();
  }

  /**
   * A migration that can be run again is run again after it was cut short; every other failed one
   * stops the start, as it must.
   */
  @Bean
  FlywayMigrationStrategy again() {
    return flyway -> {
      boolean cut =
          Arrays.stream(flyway.info().all())
              .anyMatch(
                  m ->
                      m.getState().isFailed()
                          && m.getVersion() != null
                          && V10__Runs.VERSION.equals(m.getVersion().getVersion()));
      if (cut) {
        flyway.repair();
      }
      flyway.migrate();
    };
  }

  /**
   * Sessions are read and written outside JPA: opening an entity manager asks for the studio, which
   * asks for the session.
   */
  @Bean
  org.springframework.transaction.support.TransactionOperations springSessionTransactionOperations(
      javax.sql.DataSource dataSource) {
    var template =
        new org.springframework.transaction.support.TransactionTemplate(
            new org.springframework.jdbc.support.JdbcTransactionManager(dataSource));
    template.setPropagationBehavior(
        org.springframework.transaction.TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    return template;
  }

  /** Statements with a list of ids are sent with their values. */
  @Bean
  HibernatePropertiesCustomizer lists() {
    org.hibernate.resource.jdbc.spi.StatementInspector byTheClient =
        sql -> sql.contains(" in (?") ? Sql.LIST + sql : sql;
    return p -> p.put(org.hibernate.cfg.AvailableSettings.STATEMENT_INSPECTOR, byTheClient);
  }

  @Bean
  HibernatePropertiesCustomizer tenancy() {
    CurrentTenantIdentifierResolver<UUID> resolver =
        new CurrentTenantIdentifierResolver<>() {
          @Override
          public UUID resolveCurrentTenantIdentifier() {
            return StudioContext.current();
          }

          @Override
          public boolean validateExistingCurrentSessions() {
            return true;
          }
        };
    return p -> p.put(MultiTenancySettings.MULTI_TENANT_IDENTIFIER_RESOLVER, resolver);
  }

  private final HeavyRequests heavy;

  PlatformConfig(HeavyRequests heavy) {
    this.heavy = heavy;
  }

  @Override
  public void addInterceptors(
      org.springframework.web.servlet.config.annotation.InterceptorRegistry registry) {
    registry.addInterceptor(heavy).addPathPatterns("/api/**");
  }

  /** Deep links give the page; unknown API paths and missing files stay 404. */
  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        // named by what is in them: another content has another name. Kept by one's own browser
        // alone: a response may carry the token of who asked
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/static/assets/")
        .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable())
        .resourceChain(true);
    registry
        .addResourceHandler("/**")
        .addResourceLocations("classpath:/static/")
        .resourceChain(true)
        .addResolver(
            new PathResourceResolver() {
              @Override
              protected @Nullable Resource getResource(String path, Resource location)
                  throws java.io.IOException {
                Resource found = super.getResource(path, location);
                return found != null
                        || path.startsWith("api/")
                        || path.substring(path.lastIndexOf('/') + 1).contains(".")
                    ? found
                    : new ClassPathResource("static/index.html");
              }
            });
  }

  @Override
  public void addViewControllers(
      org.springframework.web.servlet.config.annotation.ViewControllerRegistry registry) {
    registry.addViewController("/").setViewName("forward:/index.html");
  }

  /** Marks every record component without @Nullable as required. */
  @Bean
  ModelConverter requiredUnlessNullable() {
    return new ModelConverter() {
      @Override
      @SuppressWarnings("rawtypes")
      public @Nullable Schema resolve(
          AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
        Schema<?> schema = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
        Class<?> raw = TypeFactory.defaultInstance().constructType(type.getType()).getRawClass();
        if (schema == null || !raw.isRecord()) {
          return schema;
        }
        Schema<?> target = schema;
        if (schema.get$ref() != null) {
          String name = schema.get$ref().substring(schema.get$ref().lastIndexOf('/') + 1);
          target = context.getDefinedModels().get(name);
        }
        if (target != null && target.getProperties() != null) {
          List<String> required = new ArrayList<>();
          for (RecordComponent c : raw.getRecordComponents()) {
            if (!c.getAnnotatedType().isAnnotationPresent(Nullable.class)
                && target.getProperties().containsKey(c.getName())) {
              required.add(c.getName());
            }
          }
          target.setRequired(required);
        }
        return schema;
      }
    };
  }
}
