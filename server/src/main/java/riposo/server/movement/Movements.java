package riposo.server.movement;

import java.util.List;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import riposo.catalogue.CatalogueReader;
import riposo.catalogue.PlanDocument;
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

  /** The plans that ship as starting points, read against the shipped catalogue. */
  @Bean
  List<PlanDocument> startingPoints(Catalogue catalogue) {
    return PlanDocument.shipped(catalogue);
  }

  @Bean
  Wording wording(Catalogue catalogue) {
    return new Wording(catalogue);
  }
}
