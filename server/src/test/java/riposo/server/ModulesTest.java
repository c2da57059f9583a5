package riposo.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.domain.JavaMethodCall;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.persistence.Entity;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.data.repository.Repository;
import org.springframework.modulith.core.ApplicationModules;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
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

  /** Reads that also write down that they were made, or first end what was left open. */
  private static final Set<String> WRITING =
      Set.of(
          "AttachmentController.file",
          "ClientController.open",
          "PrivacyController.export",
          "DayController.sheet",
          "RunController.of",
          "RunController.show");

  /** What is read elsewhere than in this studio's tables. */
  private static final Set<String> ELSEWHERE =
      Set.of("RuleController.all", "RunController.time", "SignInController.me");

  @Test
  void readsAreMadeInReadOnlyTransactions() {
    List<String> read = new ArrayList<>();
    List<String> none = new ArrayList<>();
    List<String> writing = new ArrayList<>();
    for (JavaMethod m : handlers()) {
      if (!m.isAnnotatedWith(GetMapping.class)) {
        continue;
      }
      String name = m.getOwner().getSimpleName() + "." + m.getName();
      List<Transactional> opened =
          m.getMethodCallsFromSelf().stream().flatMap(ModulesTest::transaction).toList();
      read.add(name);
      if (opened.isEmpty()) {
        none.add(name);
      }
      if (opened.stream().anyMatch(t -> !t.readOnly())) {
        writing.add(name);
      }
    }
    assertThat(read).hasSizeGreaterThan(60);
    assertThat(none).containsExactlyInAnyOrderElementsOf(ELSEWHERE);
    assertThat(writing).containsExactlyInAnyOrderElementsOf(WRITING);
  }

  /** The transaction that a call opens, by the method it reaches or its class, in any of ours. */
  private static Stream<Transactional> transaction(JavaMethodCall call) {
    JavaClass owner = call.getTargetOwner();
    Stream<JavaClass> reached =
        owner.isInterface() ? owner.getAllSubclasses().stream() : Stream.of(owner);
    return reached
        .filter(c -> c.getPackageName().startsWith("riposo.server"))
        .flatMap(
            c ->
                c.getMethods().stream()
                    .filter(
                        m ->
                            m.getName().equals(call.getName())
                                && m.getRawParameterTypes()
                                    .equals(call.getTarget().getRawParameterTypes()))
                    .flatMap(
                        m ->
                            m
                                .tryGetAnnotationOfType(Transactional.class)
                                .or(() -> c.tryGetAnnotationOfType(Transactional.class))
                                .stream()));
  }

  private static List<JavaMethod> handlers() {
    return CLASSES.stream()
        .filter(c -> c.isAnnotatedWith(RestController.class))
        .flatMap(c -> c.getMethods().stream())
        .filter(m -> m.isMetaAnnotatedWith(RequestMapping.class))
        .toList();
  }

  @Test
  void whatAnswersHttpOpensNoTransactionAndTouchesNoTable() {
    assertThat(handlers()).hasSizeGreaterThan(110);
    classes()
        .that()
        .areAnnotatedWith(RestController.class)
        .should()
        .notBeAnnotatedWith(Transactional.class)
        .andShould()
        .haveSimpleNameEndingWith("Controller")
        .check(CLASSES);
    methods()
        .that()
        .areDeclaredInClassesThat()
        .areAnnotatedWith(RestController.class)
        .should()
        .notBeAnnotatedWith(Transactional.class)
        .check(CLASSES);
    noClasses()
        .that()
        .areAnnotatedWith(RestController.class)
        .should()
        .dependOnClassesThat()
        .areAssignableTo(Repository.class)
        .check(CLASSES);
  }

  @Test
  void whatOpensATransactionKnowsNothingOfHttp() {
    noClasses()
        .that()
        .areAnnotatedWith(Transactional.class)
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("org.springframework.web..", "org.springframework.http..")
        .check(CLASSES);
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

  /** A package belongs to one part of the tree, its tests too. */
  @Test
  void noPartOfTheTreeWritesIntoThePackagesOfAnother() throws java.io.IOException {
    List<String> found = new ArrayList<>();
    for (String part : List.of("core", "catalogue", "server", "e2e", "bench")) {
      for (String code : List.of("main", "test")) {
        java.nio.file.Path root = java.nio.file.Path.of("..", part, "src", code, "java", "riposo");
        if (java.nio.file.Files.exists(root)) {
          try (Stream<java.nio.file.Path> top = java.nio.file.Files.list(root)) {
            top.map(f -> part + " has riposo." + f.getFileName())
                .filter(f -> !f.equals(part + " has riposo." + part))
                .forEach(found::add);
          }
        }
      }
    }
    assertThat(found).isEmpty();
  }

  /**
   * A source that is shown is one a reader can find: no line names a document that does not ship.
   */
  @Test
  void noLineOfTheProductNamesADocumentThatDoesNotShip() throws java.io.IOException {
    String word = "hand" + "book";
    List<String> found = new ArrayList<>();
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
