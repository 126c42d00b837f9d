package tenterhook.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaCall;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaConstructor;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.time.Clock;
import java.time.InstantSource;
import java.util.Calendar;
import java.util.Date;
import java.util.List;

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

  private static final DescribedPredicate<JavaCall<?>> ASKS_A_CLOCK =
      DescribedPredicate.describe(
          "asks a clock",
          call ->
              call.getTargetOwner().getPackageName().startsWith("java.time")
                      && call.getName().equals("now")
                  || call.getTargetOwner().isEquivalentTo(System.class)
                      && List.of("nanoTime", "currentTimeMillis").contains(call.getName())
                  || call.getTargetOwner().isEquivalentTo(Date.class)
                      && call.getTarget().getRawParameterTypes().isEmpty()
                      && call.getName().equals(JavaConstructor.CONSTRUCTOR_NAME));

  @ArchTest
  static final ArchRule NO_CLOCK =
      noClasses()
          .should()
          .callCodeUnitWhere(ASKS_A_CLOCK)
          .orShould()
          .dependOnClassesThat()
          .belongToAnyOf(Clock.class, InstantSource.class, Calendar.class);

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
  static final ArchRule NO_CIRCLE_OF_PACKAGES =
      slices().matching("tenterhook.core.(**)").should().beFreeOfCycles();
}
