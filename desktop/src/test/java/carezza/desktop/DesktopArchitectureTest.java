package carezza.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaPackage;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.syntax.ArchRuleDefinition;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import org.jspecify.annotations.NullMarked;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The rooms of the desktop and the one way through them, as docs/architecture.md draws it. */
public class DesktopArchitectureTest {

  /** Each may use those before it and none after it. */
  private static final String[] FLOW = {
    "task",
    "text",
    "geometry",
    "picture",
    "sheet",
    "state",
    "journal",
    "practice",
    "set",
    "variant",
    "style",
    "control",
    "action",
    "tool",
    "layer",
    "view",
    "demo",
    "dialog",
    "file",
    "app",
    "command"
  };

  private static final JavaClasses DESKTOP =
      new ClassFileImporter()
          .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
          .importPackages("carezza.desktop");

  @DataProvider
  public Object[][] packages() {
    Object[][] rows = new Object[FLOW.length - 1][];
    for (int i = 0; i < rows.length; i++) {
      String[] later = new String[FLOW.length - 1 - i];
      for (int k = 0; k < later.length; k++) {
        later[k] = "carezza.desktop." + FLOW[i + 1 + k] + "..";
      }
      rows[i] = new Object[] {FLOW[i], later};
    }
    return rows;
  }

  @Test(dataProvider = "packages")
  public void aRoomUsesOnlyThoseBeforeIt(String name, String[] later) {
    ArchRuleDefinition.noClasses()
        .that()
        .resideInAPackage("carezza.desktop." + name + "..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(later)
        .check(DESKTOP);
  }

  @Test
  public void noTwoRoomsNeedEachOther() {
    SlicesRuleDefinition.slices()
        .matching("carezza.desktop.(**)")
        .should()
        .beFreeOfCycles()
        .check(DESKTOP);
  }

  @Test
  public void stateNeedsNoControls() {
    ArchRuleDefinition.noClasses()
        .that()
        .resideInAnyPackage("carezza.desktop.state..", "carezza.desktop.geometry..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("javafx.scene..", "javafx.stage..", "javafx.application..")
        .check(DESKTOP);
  }

  @Test
  public void everyPackageSaysWhatMayBeNull() {
    assertThat(
            DESKTOP.stream()
                .map(JavaClass::getPackage)
                .distinct()
                .filter(
                    p -> p.tryGetPackageInfo().isEmpty() || !p.isAnnotatedWith(NullMarked.class))
                .map(JavaPackage::getName))
        .isEmpty();
  }
}
