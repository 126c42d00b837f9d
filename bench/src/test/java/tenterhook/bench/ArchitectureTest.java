package tenterhook.bench;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaAccess;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.core.importer.Location;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import java.io.FileOutputStream;
import java.io.FileWriter;
import java.nio.file.Files;
import java.util.Set;
import tenterhook.adapters.disk.SafeFiles;
import tenterhook.adapters.tagfile.TagFiles;

/** Which module and which package may use which, seen over all modules at once. */
@AnalyzeClasses(
    packages = "tenterhook",
    importOptions = {ImportOption.DoNotIncludeTests.class, ArchitectureTest.WithoutTestJars.class})
class ArchitectureTest {
  /** The tests of another module come as a jar. */
  static final class WithoutTestJars implements ImportOption {
    @Override
    public boolean includes(Location location) {
      return !location.contains("-tests.jar");
    }
  }

  private static final String DESKTOP = "tenterhook.desktop.";

  /** Packages of the window that are no station. */
  private static final Set<String> SHARED =
      Set.of("app", "shell", "workspace", "control", "edit", "theme", "listen");

  @ArchTest
  static final ArchRule NO_CIRCLE_OF_PACKAGES =
      slices().matching("tenterhook.(*).(**)").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule ADAPTERS_KNOW_THE_CORE_ALONE =
      noClasses()
          .that()
          .resideInAPackage("tenterhook.adapters..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "tenterhook.standins..", "tenterhook.cli..", "tenterhook.desktop..", "javafx..");

  @ArchTest
  static final ArchRule STANDINS_KNOW_NO_INTERFACE =
      noClasses()
          .that()
          .resideInAPackage("tenterhook.standins..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("tenterhook.cli..", "tenterhook.desktop..", "javafx..");

  @ArchTest
  static final ArchRule COMMAND_LINE_HAS_NO_WINDOW =
      noClasses()
          .that()
          .resideInAPackage("tenterhook.cli..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("tenterhook.desktop..", "javafx..", "java.awt..");

  @ArchTest
  static final ArchRule WINDOW_HAS_NO_COMMAND_LINE =
      noClasses()
          .that()
          .resideInAPackage("tenterhook.desktop..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("tenterhook.cli..");

  @ArchTest
  static final ArchRule ONLY_THE_WIRING_KNOWS_STANDINS =
      noClasses()
          .that()
          .resideInAnyPackage("tenterhook.desktop..", "tenterhook.cli..")
          .and()
          .resideOutsideOfPackage("tenterhook.desktop.app")
          .and()
          .haveNameNotMatching("tenterhook\\.cli\\.(Demo|Catalogue)Command.*")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("tenterhook.standins..");

  @ArchTest
  static final ArchRule STATIONS_KNOW_NO_FRAME =
      noClasses()
          .that(DescribedPredicate.describe("are a station's", c -> !station(c).isEmpty()))
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("tenterhook.desktop.app..", "tenterhook.desktop.shell..");

  @ArchTest
  static final ArchRule STATIONS_KNOW_NO_OTHER =
      slices()
          .assignedFrom(
              new SliceAssignment() {
                @Override
                public SliceIdentifier getIdentifierOf(JavaClass one) {
                  String name = station(one);
                  return name.isEmpty() ? SliceIdentifier.ignore() : SliceIdentifier.of(name);
                }

                @Override
                public String getDescription() {
                  return "stations";
                }
              })
          .should()
          .notDependOnEachOther();

  private static String station(JavaClass one) {
    String name = one.getPackageName();
    boolean below = name.startsWith(DESKTOP) && !SHARED.contains(name.substring(DESKTOP.length()));
    return below ? name.substring(DESKTOP.length()) : "";
  }

  private static final Set<String> ALTERING =
      Set.of(
          "write",
          "writeString",
          "move",
          "copy",
          "delete",
          "deleteIfExists",
          "newOutputStream",
          "newBufferedWriter",
          "createLink",
          "createSymbolicLink",
          "setAttribute",
          "setLastModifiedTime",
          "setPosixFilePermissions");

  private static final DescribedPredicate<JavaAccess<?>> ALTERS_FILES =
      DescribedPredicate.describe(
          "alters files",
          access ->
              access.getTargetOwner().isEquivalentTo(Files.class)
                      && ALTERING.contains(access.getName())
                  || access.getTargetOwner().isEquivalentTo(FileOutputStream.class)
                  || access.getTargetOwner().isEquivalentTo(FileWriter.class));

  /**
   * Files are altered by few packages: the primitives, the executor that uses them on users' files,
   * and those that write the program's own: database and plain files, backups, packed copies.
   */
  @ArchTest
  static final ArchRule FEW_PACKAGES_ALTER_FILES =
      noClasses()
          .that()
          .resideInAnyPackage("tenterhook.adapters..", "tenterhook.desktop..", "tenterhook.cli..")
          .and()
          .resideOutsideOfPackages(
              "tenterhook.adapters.disk",
              "tenterhook.adapters.execution",
              "tenterhook.adapters.store",
              "tenterhook.adapters.backup",
              "tenterhook.adapters.pack")
          .should()
          .accessTargetWhere(ALTERS_FILES);

  private static final DescribedPredicate<JavaAccess<?>> ALTERS_USERS_FILES =
      DescribedPredicate.describe(
          "alters users' files",
          access ->
              access.getTargetOwner().isEquivalentTo(SafeFiles.class)
                      && Set.of("replace", "move", "finishMove", "clear", "clearLeft")
                          .contains(access.getName())
                  || access.getTargetOwner().isEquivalentTo(TagFiles.class)
                      && access.getName().equals("write"));

  @ArchTest
  static final ArchRule USERS_FILES_ARE_ALTERED_BY_THE_EXECUTOR_ALONE =
      noClasses()
          .that()
          .resideOutsideOfPackages(
              "tenterhook.adapters.execution",
              "tenterhook.adapters.disk",
              "tenterhook.adapters.tagfile",
              "tenterhook.standins.demo",
              "tenterhook.bench..")
          .should()
          .accessTargetWhere(ALTERS_USERS_FILES);
}
