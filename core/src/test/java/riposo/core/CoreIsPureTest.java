package riposo.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Core knows no framework, no clock and no input or output. */
@AnalyzeClasses(packages = "riposo.core", importOptions = ImportOption.DoNotIncludeTests.class)
class CoreIsPureTest {
  @ArchTest
  static final ArchRule DEPENDS_ON_JAVA_ONLY =
      classes()
          .should()
          .onlyDependOnClassesThat()
          .resideInAnyPackage(
              "riposo.core..",
              "java.lang..",
              "java.util..",
              "java.math..",
              "java.time..",
              "org.jspecify..",
              // matching by a library, not by hand
              "org.jgrapht..");

  @ArchTest
  static final ArchRule ASKS_NO_CLOCK =
      noClasses()
          .should()
          .callMethod(java.time.LocalDate.class, "now")
          .orShould()
          .callMethod(java.time.Instant.class, "now")
          .orShould()
          .callMethod(System.class, "currentTimeMillis")
          .orShould()
          .dependOnClassesThat()
          .haveFullyQualifiedName("java.time.Clock");

  @ArchTest
  static final ArchRule RULES_DO_NOT_DEPEND_ON_WORDS =
      noClasses()
          .that()
          .resideOutsideOfPackage("..wording..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("..wording..");
}
