package humble.house;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.fields;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** How the house is built: arrows point down, nothing runs in a circle, drawing decides nothing. */
class HouseTest {
  private static final JavaClasses ALL =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("humble");

  @Test
  void arrowsPointDownOnly() {
    layeredArchitecture()
        .consideringOnlyDependenciesInLayers()
        .layer("core")
        .definedBy("humble.core..")
        .layer("formats")
        .definedBy("humble.formats..")
        .layer("bench")
        .definedBy("humble.bench..")
        .layer("store")
        .definedBy("humble.store..")
        .layer("desktop")
        .definedBy("humble.desktop..")
        .layer("cli")
        .definedBy("humble.cli..")
        .layer("benchmarks")
        .definedBy("humble.benchmarks..", "humble.proofs..")
        .whereLayer("desktop")
        .mayOnlyBeAccessedByLayers("benchmarks")
        .whereLayer("cli")
        .mayOnlyBeAccessedByLayers("benchmarks")
        .whereLayer("store")
        .mayOnlyBeAccessedByLayers("desktop", "cli", "benchmarks")
        .whereLayer("bench")
        .mayOnlyBeAccessedByLayers("desktop", "cli", "benchmarks")
        .whereLayer("formats")
        .mayOnlyBeAccessedByLayers("desktop", "cli", "benchmarks", "store", "bench")
        .whereLayer("benchmarks")
        .mayNotBeAccessedByAnyLayer()
        .check(ALL);
    noClasses()
        .that()
        .resideInAPackage("humble.core..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "humble.formats..",
            "humble.bench..",
            "humble.store..",
            "humble.desktop..",
            "humble.cli..")
        .check(ALL);
  }

  @Test
  void noPackagesRunInACircle() {
    slices().matching("humble.(**)").should().beFreeOfCycles().check(ALL);
  }

  @Test
  void theCoreHasNoInterfaceFilesDatabaseThreadsOrClock() {
    noClasses()
        .that()
        .resideInAPackage("humble.core..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "javafx..",
            "java.awt..",
            "javax.swing..",
            "java.nio.file..",
            "java.sql..",
            "java.util.concurrent..",
            "tools.jackson..",
            "picocli..")
        .check(ALL);
    noClasses()
        .that()
        .resideInAPackage("humble.core..")
        .should()
        .dependOnClassesThat()
        .haveNameMatching("java\\.io\\.(File|RandomAccess|Print|Console).*")
        .check(ALL);
    noClasses()
        .that()
        .resideInAPackage("humble.core..")
        .should()
        .callMethod(java.time.Instant.class, "now")
        .orShould()
        .callMethod(System.class, "currentTimeMillis")
        .orShould()
        .callMethod(System.class, "nanoTime")
        .orShould()
        .dependOnClassesThat()
        .areAssignableTo(Thread.class)
        .check(ALL);
  }

  @Test
  void onlyTheWindowAndTheWalkKnowNodes() {
    noClasses()
        .that()
        .resideInAnyPackage(
            "humble.desktop.session..", "humble.desktop.stage..", "humble.desktop.keys..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("javafx..")
        .check(ALL);
    noClasses()
        .that()
        .haveSimpleNameEndingWith("Stage")
        .and()
        .resideInAPackage("humble.desktop..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("javafx..")
        .check(ALL);
    noClasses()
        .that()
        .resideOutsideOfPackages("humble.desktop..", "humble.benchmarks..", "humble.proofs..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("javafx..")
        .check(ALL);
  }

  @Test
  void whatTheHouseBansIsNotThere() {
    fields()
        .that()
        .areStatic()
        .and()
        .areDeclaredInClassesThat()
        .resideOutsideOfPackage("..jmh_generated..")
        .and()
        .areDeclaredInClassesThat()
        .doNotHaveFullyQualifiedName("humble.desktop.Main")
        .should()
        .beFinal()
        .check(ALL);
    classes()
        .that()
        .resideInAPackage("humble..")
        .should()
        .haveNameNotMatching(".*(Manager|Helper|Helpers|Utils|Impl)$")
        .check(ALL);
  }

  @Test
  void everyPackageIsDescribed() throws IOException {
    Path root = Path.of(System.getProperty("humble.root", ".."));
    for (String module :
        List.of("core", "formats", "bench", "store", "desktop", "cli", "benchmarks")) {
      try (Stream<Path> files = Files.walk(root.resolve(module).resolve("src/main/java"))) {
        files
            .filter(f -> f.toString().endsWith(".java"))
            .map(Path::getParent)
            .distinct()
            .forEach(folder ->
                assertThat(folder.resolve("package-info.java")).as(folder.toString()).exists());
      }
    }
  }
}
