package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;

import org.testng.annotations.Test;

import carezza.codec.OutputColour;
import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureReader;
import carezza.codec.PictureWriter;
import carezza.desktop.demo.Demo;
import carezza.desktop.view.deliver.DeliverView;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.metadata.Metadata;
import carezza.metadata.TiffDirectory;
import carezza.model.Project;
import carezza.project.ProjectFile;
import carezza.session.Journals;
import carezza.session.Journals.LeftBehind;

/** Unsaved work is kept, offered and asked about; nothing that is there is written over. */
public class UnsavedWorkTest extends WindowDriver {

  private Journals journals() {
    return new Journals(folder.resolve("home").resolve("unsaved"));
  }

  /**
   * What is kept of the document on the bench, as a run that died would leave it: without its lock.
   */
  private List<LeftBehind> leftBehind() throws IOException {
    Path unsaved = folder.resolve("home").resolve("unsaved");
    if (!Files.isDirectory(unsaved)) {
      return List.of();
    }
    try (var runs = Files.list(unsaved)) {
      for (Path run : runs.filter(r -> !r.getFileName().toString().startsWith("dead")).toList()) {
        if (Files.exists(run.resolve("unsaved.carezza"))) {
          Path dead = Files.createDirectories(unsaved.resolve("dead-" + run.getFileName()));
          try (var files = Files.list(run)) {
            for (Path file : files.filter(f -> !f.endsWith("lock")).toList()) {
              Files.copy(
                  file, dead.resolve(file.getFileName()), StandardCopyOption.REPLACE_EXISTING);
            }
          }
        }
      }
    }
    return journals().leftBehind();
  }

  private void discardAll() throws Exception {
    for (LeftBehind work : journals().leftBehind()) {
      journals().discard(work);
    }
  }

  @Test
  public void theFirstStepIsKeptAndCanBeUndone() throws Exception {
    assertThat(onStage(() -> ((Button) node("#undo")).isDisabled())).isTrue();
    stroke(700, 900, 760, 940);
    clickOn("#card-sculpt");
    stroke(700, 900, 760, 940);
    assertThat(onStage(() -> state().document().dirtyProperty().get())).isTrue();
    assertThat(onStage(() -> ((Button) node("#undo")).isDisabled())).isFalse();
    await(() -> !leftBehind().isEmpty());
    assertThat(journals().leftBehind().getFirst().steps()).isEqualTo(1);
    discardAll();
  }

  @Test
  public void workOfADeadRunIsTakenUpFromTheList() throws Exception {
    clickOn("#switch-fall");
    Project unsaved = project();
    await(() -> !leftBehind().isEmpty());
    onStage(
        () -> {
          view.navigation().showStart();
          return null;
        });
    clickOn("#recover");
    await(() -> isThere("#recovery"));
    clickOn(".recovery-take");
    clickOn("#unsaved-leave");
    await(() -> state().document().project() != unsaved && picture().isExact());
    assertThat(project()).isEqualTo(unsaved);
    assertThat(onStage(() -> state().document().dirtyProperty().get())).isTrue();
    save(folder.resolve("recovered.carezza"));
    await(() -> leftBehind().isEmpty());
  }

  @Test
  public void whatIsOpenedAtTheStartDoesNotHideWhatWasLeftBehind() throws Exception {
    clickOn("#switch-fall");
    await(() -> !leftBehind().isEmpty());
    clickOn("#undo");
    onStage(
        () -> {
          view.files().offerRecovery();
          view.open("The Apothecary", Demo::apothecary);
          return null;
        });
    await(() -> "The Apothecary".equals(state().document().project().title()));
    await(() -> isThere("#recovery"));
    clickOn("#recovery-later");
    discardAll();
  }

  @Test
  public void workThatIsThrownAwayIsGone() throws Exception {
    clickOn("#switch-fall");
    await(() -> !leftBehind().isEmpty());
    onStage(
        () -> {
          view.files().offerRecovery();
          return null;
        });
    await(() -> isThere(".recovery-discard"));
    clickOn(".recovery-discard");
    assertThat(journals().leftBehind()).isNotEmpty();
    clickOn(".recovery-discard");
    await(() -> journals().leftBehind().isEmpty());
    assertThat(isThere("#recovery")).isFalse();
  }

  @Test
  public void anotherFileIsOpenedOnlyAfterAQuestion() throws Exception {
    clickOn("#switch-fall");
    Project unsaved = project();
    onStage(
        () -> {
          view.open("The Apothecary", Demo::apothecary);
          return null;
        });
    assertThat(isThere("#unsaved")).isTrue();
    // The sheet has the keys: none reaches the bench, and the focus does not leave it.
    robot.type(KeyCode.O);
    for (int i = 0; i < 5; i++) {
      robot.type(KeyCode.TAB);
      assertThat(onStage(() -> inside(view.getScene().getFocusOwner(), "unsaved"))).isTrue();
    }
    robot.type(KeyCode.ESCAPE);
    await(() -> !isThere("#unsaved"));
    assertThat(project()).isSameAs(unsaved);
    onStage(
        () -> {
          view.open("The Apothecary", Demo::apothecary);
          return null;
        });
    answer(folder.resolve("asked.carezza"));
    clickOn("#unsaved-save");
    await(() -> "The Apothecary".equals(state().document().project().title()));
    assertThat(folder.resolve("asked.carezza")).exists();
  }

  private static boolean inside(Node node, String id) {
    for (Node at = node; at != null; at = at.getParent()) {
      if (id.equals(at.getId())) {
        return true;
      }
    }
    return false;
  }

  @Test
  public void theWindowClosesOnlyAfterAQuestion() throws Exception {
    assertThat(onStage(() -> view.mayClose())).isTrue();
    clickOn("#switch-fall");
    assertThat(onStage(() -> view.mayClose())).isFalse();
    assertThat(isThere("#unsaved")).isTrue();
    clickOn("#unsaved-stay");
    assertThat(isThere("#unsaved")).isFalse();
  }

  @Test
  public void anEditDuringASaveIsStillUnsaved() throws Exception {
    clickOn("#switch-fall");
    Project saved = project();
    Path file = folder.resolve("during.carezza");
    answer(file);
    onStage(
        () -> {
          view.files().askSave();
          state().document().edit(null, p -> p.withStack(p.stack().lowest(2)));
          return null;
        });
    await(() -> state().document().pathProperty().get() != null);
    assertThat(onStage(() -> state().document().dirtyProperty().get())).isTrue();
    await(() -> !leftBehind().isEmpty());
    assertThat(project()).isNotEqualTo(saved);
    onStage(
        () -> {
          state().document().undo();
          return null;
        });
    // Back at what was saved, there is nothing unsaved.
    assertThat(onStage(() -> state().document().dirtyProperty().get())).isFalse();
    discardAll();
  }

  @Test
  public void savingOverAnotherProjectAsks() throws Exception {
    Path there = Files.writeString(folder.resolve("there.carezza"), "somebody's");
    clickOn("#switch-fall");
    answer(there);
    robot
        .press(KeyCode.CONTROL, KeyCode.SHIFT)
        .type(KeyCode.S)
        .release(KeyCode.SHIFT, KeyCode.CONTROL);
    await(() -> isThere("#replace"));
    clickOn("#replace-no");
    assertThat(Files.readString(there)).isEqualTo("somebody's");
    answer(there);
    robot
        .press(KeyCode.CONTROL, KeyCode.SHIFT)
        .type(KeyCode.S)
        .release(KeyCode.SHIFT, KeyCode.CONTROL);
    await(() -> isThere("#replace"));
    clickOn("#replace-yes");
    await(() -> !state().document().dirtyProperty().get());
    assertThat(Files.size(there)).isGreaterThan(1000);
  }

  // --- delivery

  private Path photograph(String name) throws Exception {
    Path file = folder.resolve(name);
    Files.write(file, onStage(() -> state().document().current().file()));
    return file;
  }

  private void open(Path file) {
    onStage(
        () -> {
          view.put(ProjectFile.start(file));
          return null;
        });
  }

  private String text(String query) {
    return onStage(() -> ((TextField) node(query)).getText());
  }

  @Test
  public void deliveryProposesANewNameBesideThisPhotograph() throws Exception {
    Path one = photograph("one.jpg");
    byte[] before = Files.readAllBytes(one);
    Path two = photograph("two.jpg");
    open(one);
    clickOn("#view-deliver");
    assertThat(Path.of(text("#deliver-path"))).isEqualTo(folder.resolve("one retouched.jpg"));
    Files.writeString(folder.resolve("two retouched.jpg"), "there");
    clickOn("#view-bench");
    open(two);
    clickOn("#view-deliver");
    assertThat(Path.of(text("#deliver-path"))).isEqualTo(folder.resolve("two retouched 2.jpg"));
    // Whatever path is named, the photograph is never written to.
    onStage(
        () -> {
          ((TextField) node("#deliver-path")).setText(two.toString());
          return null;
        });
    clickOn("#deliver-write");
    await(() -> ((Labeled) node("#deliver-outcome")).getText().contains("never written to"));
    assertThat(Files.readAllBytes(two)).isEqualTo(before);
  }

  @Test
  public void aFileThatIsThereIsReplacedOnlyOnPurpose() throws Exception {
    Path there = Files.writeString(folder.resolve("there.png"), "somebody's");
    clickOn("#view-deliver");
    onStage(
        () -> {
          ((TextField) node("#deliver-path")).setText(there.toString());
          ((ComboBox<?>) node("#deliver-edge")).getSelectionModel().selectLast();
          return null;
        });
    clickOn("#deliver-write");
    await(() -> node("#deliver-replace").isVisible());
    assertThat(Files.readString(there)).isEqualTo("somebody's");
    onStage(
        () -> {
          ((Button) node("#deliver-replace")).fire();
          return null;
        });
    await(() -> ((Labeled) node("#deliver-outcome")).getText().startsWith("Written"));
    assertThat(((Labeled) node("#deliver-outcome")).getText())
        .contains("×")
        .containsPattern("kB|MB");
    assertThat(PictureReader.read(there).size().longEdge()).isEqualTo(1080);
  }

  @Test
  public void aProfileOfOnesOwnIsProofedAndWritten() throws Exception {
    byte[] tiff =
        PictureWriter.encode(
            onStage(() -> state().document().current().photograph().pixels()),
            new PictureWriter.Settings(
                PictureFormat.TIFF,
                90,
                8,
                OutputColour.of(OutputProfile.COATED),
                Metadata.NONE,
                Metadata.Carried.NOTHING),
            "x.tif");
    Path icc = folder.resolve("press.icc");
    Files.write(icc, TiffDirectory.read(tiff).bytes(34675));
    clickOn("#view-deliver");
    await(() -> picture().isExact());
    int plain = shownAt(700, 1000);
    onStage(
        () -> {
          ((DeliverView) view.navigation().view("deliver")).useProfile(icc);
          ((CheckBox) node("#deliver-proof")).setSelected(true);
          return null;
        });
    await(() -> picture().isExact());
    await(() -> distance(plain, shownAt(700, 1000)) > 0);
    onStage(
        () -> {
          ((CheckBox) node("#deliver-proof")).setSelected(false);
          return null;
        });
    await(() -> picture().isExact() && distance(plain, shownAt(700, 1000)) <= ROUNDING);
  }

  @Test
  public void thePictureIsShownThroughTheDisplaysProfile() throws Exception {
    Path icc = folder.resolve("display.icc");
    byte[] tiff =
        PictureWriter.encode(
            Picture.of(new Area(0, 0, 2, 2)),
            new PictureWriter.Settings(PictureFormat.TIFF, 90, 8, OutputProfile.WIDE),
            "x.tif");
    Files.write(icc, TiffDirectory.read(tiff).bytes(34675));
    int plain = shownAt(700, 1000);
    onStage(
        () -> {
          view.appearance().showScreen();
          return null;
        });
    onStage(
        () -> {
          ((TextField) node("#screen-path")).setText(icc.toString());
          return null;
        });
    clickOn("#screen-ok");
    // On a display as wide as the working space the skin's numbers lie closer together.
    await(() -> picture().isExact() && distance(plain, shownAt(700, 1000)) > 5);
    onStage(
        () -> {
          view.appearance().showScreen();
          return null;
        });
    clickOn("#screen-none");
    await(() -> picture().isExact() && distance(plain, shownAt(700, 1000)) <= ROUNDING);
  }
}
