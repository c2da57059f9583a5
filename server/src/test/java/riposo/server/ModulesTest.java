package riposo.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.persistence.Entity;
import org.junit.jupiter.api.Test;
import org.springframework.data.repository.Repository;
import org.springframework.modulith.core.ApplicationModules;
import riposo.server.platform.Store;

/** Module boundaries, and that every row has its studio. */
class ModulesTest {
  private static final JavaClasses CLASSES =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("riposo.server");

  @Test
  void modulesUseEachOtherOnlyThroughTheirRootsAndWithoutCycles() {
    ApplicationModules.of(RiposoApplication.class).verify();
  }

  @Test
  void everyEntityCarriesItsStudioAndEveryRepositoryIsAStore() {
    classes()
        .that()
        .areAnnotatedWith(Entity.class)
        .should(
            new com.tngtech.archunit.lang.ArchCondition<>("have a studio id") {
              @Override
              public void check(
                  com.tngtech.archunit.core.domain.JavaClass c,
                  com.tngtech.archunit.lang.ConditionEvents events) {
                boolean has =
                    c.getAllFields().stream().anyMatch(f -> f.getName().equals("studioId"));
                events.add(new com.tngtech.archunit.lang.SimpleConditionEvent(c, has, c.getName()));
              }
            })
        .check(CLASSES);
    classes()
        .that()
        .areAssignableTo(Repository.class)
        .and()
        .doNotHaveSimpleName("TokenStore") // read by hash before the studio is known
        .should()
        .beAssignableTo(Store.class)
        .check(CLASSES);
  }

  @Test
  void nothingWritesSqlPastTheStudioFilterButThePlatform() {
    noClasses()
        .that()
        .resideOutsideOfPackage("..platform..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("org.springframework.jdbc..")
        .check(CLASSES);
  }
}
