package riposo.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

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

  /** Reads that also write down that they were made, or end what was left open first. */
  private static final java.util.Set<String> WRITING =
      java.util.Set.of("AttachmentService.file", "ClientService.open", "PrivacyController.export");

  @Test
  void readsAreMadeInReadOnlyTransactions() {
    java.util.List<String> read = new java.util.ArrayList<>();
    java.util.List<String> writing = new java.util.ArrayList<>();
    for (com.tngtech.archunit.core.domain.JavaClass c : CLASSES) {
      for (com.tngtech.archunit.core.domain.JavaMethod m : c.getMethods()) {
        if (!m.isAnnotatedWith(org.springframework.web.bind.annotation.GetMapping.class)) {
          continue;
        }
        String name = c.getSimpleName() + "." + m.getName();
        var how =
            m.tryGetAnnotationOfType(org.springframework.transaction.annotation.Transactional.class)
                .or(
                    () ->
                        c.tryGetAnnotationOfType(
                            org.springframework.transaction.annotation.Transactional.class));
        boolean own =
            how.isPresent()
                && how.get().propagation()
                    != org.springframework.transaction.annotation.Propagation.NOT_SUPPORTED;
        read.add(name);
        if (own && !how.get().readOnly()) {
          writing.add(name);
        }
      }
    }
    assertThat(read).hasSizeGreaterThan(60);
    assertThat(writing).containsExactlyInAnyOrderElementsOf(WRITING);
  }

  @Test
  void nothingPutsAClientsDayTogetherButTheOneAssembler() {
    noClasses()
        .that()
        .doNotHaveFullyQualifiedName("riposo.server.adapt.ClientDays")
        .should()
        .callConstructor(
            riposo.core.adapt.Situation.class,
            riposo.core.limit.Caps.class,
            java.util.Set.class,
            java.util.Map.class)
        .orShould()
        .callMethod(
            riposo.core.adapt.PlanAdapter.class,
            "day",
            java.util.UUID.class,
            riposo.core.limit.Caps.class,
            riposo.core.adapt.Kitbag.class,
            java.util.Map.class,
            riposo.core.plan.Mobility.class)
        .check(CLASSES);
  }

  /**
   * A source that is shown is one a reader can find: no line names a document that does not ship.
   */
  @Test
  void noLineOfTheProductNamesADocumentThatDoesNotShip() throws java.io.IOException {
    String word = "hand" + "book";
    java.util.List<String> found = new java.util.ArrayList<>();
    for (String dir :
        java.util.List.of("../core/src", "../catalogue/src", "src", "../web/src", "../docs")) {
      try (java.util.stream.Stream<java.nio.file.Path> files =
          java.nio.file.Files.walk(java.nio.file.Path.of(dir))) {
        for (java.nio.file.Path f :
            files
                .filter(x -> x.toString().matches(".*\\.(java|ts|tsx|yaml|json|html|css|md|sql)"))
                .toList()) {
          if (java.nio.file.Files.readString(f).toLowerCase(java.util.Locale.ROOT).contains(word)) {
            found.add(f.toString());
          }
        }
      }
    }
    assertThat(found).isEmpty();
  }
}
