package carezza.desktop.file;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.state.Settings;

/** What the application keeps for itself. */
public class HomeTest {

  private Path folder;
  private Home home;

  @BeforeMethod
  public void make() throws Exception {
    folder = Files.createTempDirectory("carezza-home-test");
    home = new Home(folder.resolve("own"));
  }

  @AfterMethod
  public void tidy() throws Exception {
    try (var files = Files.walk(folder)) {
      for (Path p : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  private Path project(String name) throws Exception {
    return Files.writeString(folder.resolve(name), "");
  }

  @Test
  public void theNewestProjectIsTheFirstAndStandsThereOnce() throws Exception {
    Path one = project("one.carezza");
    Path other = project("other.carezza");
    home.remember(one);
    home.remember(other);
    home.remember(one);
    assertThat(home.recent()).containsExactly(one, other);
  }

  @Test
  public void projectsThatAreGoneAreLeftOut() throws Exception {
    Path one = project("one.carezza");
    home.remember(one);
    Files.delete(one);
    assertThat(home.recent()).isEmpty();
  }

  @Test
  public void onlySoManyAreRemembered() throws Exception {
    for (int i = 0; i < 12; i++) {
      home.remember(project(i + ".carezza"));
    }
    assertThat(home.recent()).hasSize(8).first().isEqualTo(folder.resolve("11.carezza"));
  }

  @Test
  public void nothingIsRememberedToBeginWith() {
    assertThat(home.recent()).isEmpty();
    assertThat(home.journals().leftBehind()).isEmpty();
    assertThat(home.settings().get("key.undo", "none")).isEqualTo("none");
  }

  @Test
  public void aSettingOutlivesTheRunWhateverItHolds() {
    for (String value :
        new String[] {
          "", "plain", "C:\\folder\\file.icc", "two\nlines", "ä ö € =", "#no:comment"
        }) {
      home.settings().set("display", value);
      assertThat(new Home(folder.resolve("own")).settings().get("display", "none"))
          .isEqualTo(value);
    }
  }

  @Test
  public void aBrokenFileOfSettingsIsAsIfNothingHadBeenSet() throws Exception {
    Path file = folder.resolve("broken.properties");
    Files.writeString(file, "grey=\\u12");
    Settings settings = new Settings(file);
    assertThat(settings.get("grey", "102")).isEqualTo("102");
    settings.set("grey", "80");
    assertThat(settings.get("grey", "102")).isEqualTo("80");
  }

  @Test
  public void settingsThatCannotBeKeptAreNoReasonToStop() throws Exception {
    Path blocked = Files.writeString(folder.resolve("blocked"), "a file, not a folder");
    Settings settings = new Settings(blocked.resolve("settings.properties"));
    settings.set("grey", "80");
    assertThat(settings.get("grey", "102")).isEqualTo("102");
  }
}
