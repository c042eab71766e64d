package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.desktop.state.Documents;
import carezza.desktop.view.deliver.ProposedNames;
import carezza.kernel.LayerType;
import carezza.project.Document;

/** Names that are proposed for files are new, and belong beside the photograph. */
public class ProposedNamesTest {

  private Path folder;

  @BeforeMethod
  public void make() throws Exception {
    folder = Files.createTempDirectory("carezza-names-test");
  }

  @AfterMethod
  public void tidy() throws Exception {
    try (var files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  @DataProvider
  public Object[][] titles() {
    return new Object[][] {
      {"The Apothecary", "The Apothecary.jpg"},
      {"a/b\\c:d", "abcd.jpg"},
      {"  spaced  ", "spaced.jpg"},
      {"<\"?*|>", "portrait.jpg"},
      {"", "portrait.jpg"},
      {"line\nbreak", "linebreak.jpg"},
      {"Frau Müller–Ähre", "Frau Müller–Ähre.jpg"}
    };
  }

  @Test(dataProvider = "titles")
  public void aTitleBecomesANameThatAnyDiskTakes(String title, String name) {
    assertThat(ProposedNames.free(folder, title, ".jpg")).isEqualTo(folder.resolve(name));
  }

  @Test
  public void aNameThatIsTakenGetsTheFirstNumberThatIsFree() throws Exception {
    Files.writeString(folder.resolve("sitter.jpg"), "");
    Files.writeString(folder.resolve("sitter 2.jpg"), "");
    assertThat(ProposedNames.free(folder, "sitter", ".jpg"))
        .isEqualTo(folder.resolve("sitter 3.jpg"));
    assertThat(ProposedNames.free(folder, "sitter", ".tif"))
        .isEqualTo(folder.resolve("sitter.tif"));
  }

  @Test
  public void filesBelongBesideThePhotographOrTheProjectOrAtHome() {
    Document document = Documents.with(LayerType.EXPOSURE);
    assertThat(ProposedNames.folder(document)).isEqualTo(Path.of(System.getProperty("user.home")));
    Document saved = document.with(document.project(), folder.resolve("sitter.carezza"));
    assertThat(ProposedNames.folder(saved)).isEqualTo(folder);
    Document read = saved.readFrom(folder.resolve("photographs").resolve("sitter.jpg"));
    assertThat(ProposedNames.folder(read)).isEqualTo(folder.resolve("photographs"));
  }
}
