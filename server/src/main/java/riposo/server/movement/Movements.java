package riposo.server.movement;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import riposo.catalogue.CatalogueReader;
import riposo.core.adapt.Adapter;
import riposo.core.adapt.PlanAdapter;
import riposo.core.movement.Catalogue;
import riposo.core.wording.Wording;

/** The shipped catalogue, validated while the server starts, and what is built on it. */
@Configuration
public class Movements {
  @Bean
  Catalogue catalogue() {
    return CatalogueReader.shipped();
  }

  @Bean
  Adapter adapter(Catalogue catalogue) {
    return new Adapter(catalogue);
  }

  @Bean
  PlanAdapter planAdapter(Adapter adapter) {
    return new PlanAdapter(adapter);
  }

  @Bean
  Wording wording(Catalogue catalogue) {
    return new Wording(catalogue);
  }
}
