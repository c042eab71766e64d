package carezza;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaPackage;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import org.jspecify.annotations.NullMarked;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The flow between packages is one way, as docs/architecture.md draws it. */
public class ArchitectureTest {

  /** Each may use those before it and none after it. */
  private static final String[] FLOW = {
    "problem",
    "file",
    "function",
    "image",
    "filter",
    "colour",
    "press",
    "metadata",
    "profile",
    "raw",
    "codec",
    "model",
    "face",
    "job",
    "mask",
    "shape",
    "overlay",
    "kernel",
    "render",
    "line",
    "measure",
    "plan",
    "record",
    "practice",
    "recipe",
    "routine",
    "set",
    "project",
    "client",
    "studio",
    "session",
    "batch"
  };

  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("carezza");

  @DataProvider
  public Object[][] packages() {
    Object[][] rows = new Object[FLOW.length - 1][];
    for (int i = 0; i < rows.length; i++) {
      String[] later = new String[FLOW.length - 1 - i];
      for (int k = 0; k < later.length; k++) {
        later[k] = "carezza." + FLOW[i + 1 + k] + "..";
      }
      rows[i] = new Object[] {FLOW[i], later};
    }
    return rows;
  }

  @Test(dataProvider = "packages")
  public void aPackageUsesOnlyThoseBeforeIt(String name, String[] later) {
    ArchRuleDefinition.noClasses()
        .that()
        .resideInAPackage("carezza." + name + "..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(later)
        .check(CORE);
  }

  @Test
  public void theCoreKnowsNoInterface() {
    ArchRuleDefinition.noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("javafx..", "java.awt.event..", "javax.swing..", "carezza.desktop..")
        .check(CORE);
  }

  @Test
  public void onlyTheCodecTouchesRasters() {
    ArchRuleDefinition.noClasses()
        .that()
        .resideOutsideOfPackages("carezza.codec..", "carezza.profile..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("java.awt..", "javax.imageio..")
        .check(CORE);
  }

  @Test
  public void onlyProjectsAndJobsAreReadAsJson() {
    ArchRuleDefinition.noClasses()
        .that()
        .resideOutsideOfPackages("carezza.project..", "carezza.job..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("tools.jackson..", "com.fasterxml..")
        .check(CORE);
  }

  @Test
  public void everyPackageSaysWhatMayBeNull() {
    assertThat(
            CORE.stream()
                .map(JavaClass::getPackage)
                .distinct()
                .filter(
                    p -> p.tryGetPackageInfo().isEmpty() || !p.isAnnotatedWith(NullMarked.class))
                .map(JavaPackage::getName))
        .isEmpty();
  }
}
