package tenterhook.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The core computes; it reaches for no disk, database or window. */
@AnalyzeClasses(packages = "tenterhook.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
  /** Buffers and character sets reach nothing outside. */
  private static final DescribedPredicate<JavaClass> BYTES_AND_LETTERS =
      JavaClass.Predicates.resideInAPackage("java.nio.charset")
          .or(JavaClass.Predicates.resideInAPackage("java.nio"));

  @ArchTest
  static final ArchRule NO_OUTSIDE_WORLD =
      noClasses()
          .should()
          .dependOnClassesThat(
              JavaClass.Predicates.resideInAnyPackage(
                      "java.io..", "java.nio..", "java.sql..", "java.awt..", "javax..", "javafx..")
                  .and(DescribedPredicate.not(BYTES_AND_LETTERS)));

  @ArchTest
  static final ArchRule NO_OTHER_MODULE =
      noClasses()
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "tenterhook.adapters..",
              "tenterhook.standins..",
              "tenterhook.desktop..",
              "tenterhook.cli..");

  @ArchTest
  static final ArchRule NO_CLOCK =
      noClasses()
          .should()
          .callMethod(java.time.Instant.class, "now")
          .orShould()
          .callMethod(java.time.LocalDate.class, "now")
          .orShould()
          .callMethod(System.class, "currentTimeMillis");

  @ArchTest
  static final ArchRule FIELDS_STAND_BELOW_ALL =
      noClasses()
          .that()
          .resideInAPackage("tenterhook.core.field")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "tenterhook.core.track..",
              "tenterhook.core.find..",
              "tenterhook.core.crate..",
              "tenterhook.core.change..");

  @ArchTest
  static final ArchRule TRACKS_AND_FIELDS_HAVE_NO_CIRCLE =
      slices().matching("tenterhook.core.(field|track|text|job)..").should().beFreeOfCycles();
}
