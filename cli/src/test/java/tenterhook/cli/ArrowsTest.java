package tenterhook.cli;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** Which module may use which. */
@AnalyzeClasses(packages = "tenterhook", importOptions = ImportOption.DoNotIncludeTests.class)
class ArrowsTest {
  @ArchTest
  static final ArchRule ADAPTERS =
      noClasses()
          .that()
          .resideInAPackage("tenterhook.adapters..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("tenterhook.standins..", "tenterhook.cli..", "javafx..");

  @ArchTest
  static final ArchRule NO_CIRCLE_OF_PACKAGES =
      slices().matching("tenterhook.(*).(**)").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule STANDINS =
      noClasses()
          .that()
          .resideInAPackage("tenterhook.standins..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("tenterhook.cli..", "javafx..");

  @ArchTest
  static final ArchRule COMMAND_LINE_HAS_NO_WINDOW =
      noClasses()
          .that()
          .resideInAPackage("tenterhook.cli..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("javafx..", "java.awt..");

  @ArchTest
  static final ArchRule FILES_ARE_WRITTEN_BY_THE_EXECUTOR_ALONE =
      noClasses()
          .that()
          .resideOutsideOfPackages(
              "tenterhook.adapters.execution..",
              "tenterhook.adapters.tagfile..",
              "tenterhook.standins.demo..")
          .should()
          .callMethod(
              tenterhook.adapters.tagfile.TagFiles.class,
              "write",
              java.nio.file.Path.class,
              java.util.Map.class,
              java.util.function.Function.class);
}
