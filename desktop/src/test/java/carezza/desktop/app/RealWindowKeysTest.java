package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;

import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.codec.PictureReader;
import carezza.project.ProjectFile;
import carezza.session.Journals;
import carezza.session.Journals.LeftBehind;

/** Where keys go in a real window: what they did is read from its title and its files. */
@Test(groups = {"real-window", "beside"})
public class RealWindowKeysTest {

  private static final long SETTLING_MILLIS = 700;

  private RealWindow window;

  @BeforeClass
  public void startDisplay() throws Exception {
    window = new RealWindow();
  }

  @AfterClass(alwaysRun = true)
  public void stopDisplay() throws Exception {
    if (window != null) {
      window.close();
    }
  }

  private Process program;

  @BeforeMethod
  public void open() throws Exception {
    if (program != null) {
      program.destroyForcibly().waitFor();
    }
    // What the test before left unsaved would be offered, over the window.
    Journals journals = new Journals(window.home().resolve("unsaved"));
    for (LeftBehind work : journals.leftBehind()) {
      journals.discard(work);
    }
    Files.deleteIfExists(window.project());
    window.makeProject();
    program = window.open();
  }

  private void paint() throws Exception {
    for (int i = 0; i < 10 && !window.isUnsaved(); i++) {
      window.key("4");
      window.stroke(420 + 20 * i, 300);
      Thread.sleep(SETTLING_MILLIS);
    }
    window.awaitUnsaved(true);
  }

  private int saved() throws Exception {
    return RealWindow.strokes(ProjectFile.open(window.project()));
  }

  @Test
  public void aStrokeIsUndoneByKeyAndSavedByKey() throws Exception {
    paint();
    for (int i = 0; i < 20 && window.isUnsaved(); i++) {
      window.key("ctrl+z");
      Thread.sleep(SETTLING_MILLIS / 4);
    }
    window.awaitUnsaved(false);
    paint();
    window.key("ctrl+s");
    window.awaitUnsaved(false);
    assertThat(saved()).isPositive();
  }

  @Test
  public void whatIsTypedInASheetReachesNothingBehindIt() throws Exception {
    window.key("4", "ctrl+k");
    Thread.sleep(SETTLING_MILLIS);
    window.does("type", "old photograph");
    window.key("Delete", "Escape");
    Thread.sleep(SETTLING_MILLIS);
    assertThat(window.isUnsaved()).isFalse();
    // The keys are the bench's again.
    paint();
  }

  @Test
  public void deliveryRemovesNoLayerAndEscapeLeavesIt() throws Exception {
    window.key("4", "ctrl+d");
    Thread.sleep(SETTLING_MILLIS);
    window.does("mousemove", "420", "300", "click", "2");
    window.key("Delete", "o");
    Thread.sleep(SETTLING_MILLIS);
    assertThat(window.isUnsaved()).isFalse();
    window.key("Escape", "4");
    Thread.sleep(SETTLING_MILLIS);
    window.key("Delete");
    window.awaitUnsaved(true);
  }

  /** The first time that the view is shown, its field has the focus as it has it later. */
  @Test
  public void thePictureIsNamedAndWrittenByKeysAlone() throws Exception {
    Path delivered = window.folder().resolve("by keys.png");
    window.key("ctrl+d");
    Thread.sleep(SETTLING_MILLIS);
    window.key("ctrl+a");
    window.does("type", delivered.toString());
    window.key("Return");
    for (int i = 0; i < 60 && !Files.exists(delivered); i++) {
      Thread.sleep(SETTLING_MILLIS / 2);
    }
    assertThat(PictureReader.read(delivered).size().width()).isEqualTo(600);
    assertThat(window.isUnsaved()).isFalse();
  }

  @Test
  public void leavingAsksAboutWhatIsNotSaved() throws Exception {
    paint();
    window.key("ctrl+w");
    Thread.sleep(SETTLING_MILLIS);
    assertThat(window.title()).contains("sitter").contains("not saved");
    window.key("Escape", "ctrl+q");
    Thread.sleep(SETTLING_MILLIS);
    assertThat(program.isAlive()).isTrue();
    // The sheet's main button saves and goes on.
    window.key("Return");
    assertThat(program.waitFor(30, TimeUnit.SECONDS)).isTrue();
    assertThat(saved()).isPositive();
  }
}
