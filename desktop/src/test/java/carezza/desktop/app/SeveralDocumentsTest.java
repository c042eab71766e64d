package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import javafx.event.Event;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.util.Subscription;
import javax.imageio.ImageIO;

import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

import carezza.desktop.picture.ViewPixels;
import carezza.desktop.picture.ViewPort;
import carezza.desktop.state.Coming;
import carezza.desktop.state.Documents;
import carezza.kernel.LayerType;
import carezza.model.LayerStack;
import carezza.session.Session;

/** Pictures that are open together in one window. */
public class SeveralDocumentsTest extends WindowDriver {

  /** What waits is nobody's work by the next test. */
  @AfterMethod
  public void forget() {
    onStage(
        () -> {
          while (view.workspace().next().isPresent()) {
            // Nothing waits.
          }
          return null;
        });
  }

  private void edit() {
    onStage(
        () -> {
          state().document().edit(null, p -> p.withStack(LayerStack.EMPTY));
          return null;
        });
  }

  private int layers() {
    return onStage(() -> state().document().stack().size());
  }

  private void openGreyBeside() throws Exception {
    onStage(
        () -> {
          view.open("grey", () -> Documents.with(LayerType.EXPOSURE));
          return null;
        });
    clickOn("#unsaved-aside");
    await(() -> state().document().stack().size() == 1);
    await(() -> state().document().seenProperty().get());
  }

  private void exchange() {
    robot.press(KeyCode.CONTROL).type(KeyCode.E).release(KeyCode.CONTROL);
    RobotHand.settle();
  }

  private List<Path> recipes() throws Exception {
    Path unsaved = folder.resolve("home").resolve("unsaved");
    if (!Files.isDirectory(unsaved)) {
      return List.of();
    }
    try (var files = Files.walk(unsaved)) {
      return files.filter(f -> f.endsWith("unsaved.carezza")).toList();
    }
  }

  @Test
  public void unsavedWorkIsPutAsideAndComesBackWithItsSteps() throws Exception {
    int before = layers();
    edit();
    openGreyBeside();
    assertThat(((Label) node("#title")).getText()).contains("1");
    assertThat(onStage(() -> state().document().dirtyProperty().get())).isFalse();
    exchange();
    await(() -> state().document().seenProperty().get());
    assertThat(layers()).isZero();
    assertThat(onStage(() -> state().document().dirtyProperty().get())).isTrue();
    robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
    RobotHand.settle();
    assertThat(layers()).isEqualTo(before);
    exchange();
    assertThat(layers()).isEqualTo(1);
  }

  @Test
  public void aLargePhotographIsSeenBeforeItIsWholeAndKeysMeanNothingMeanwhile() throws Exception {
    Path file = folder.resolve("large.jpg");
    ImageIO.write(new BufferedImage(3000, 2400, BufferedImage.TYPE_INT_RGB), "jpeg", file.toFile());
    int layers = layers();
    Session was = onStage(() -> state().document().session());
    List<String> seen = new ArrayList<>();
    Subscription following =
        onStage(
            () ->
                state()
                    .view()
                    .comingProperty()
                    .subscribe(
                        (old, is) -> {
                          if (is != null) {
                            state().selection().select(firstLayer());
                            Event.fireEvent(
                                view.getScene().getFocusOwner(), pressed(KeyCode.DELETE));
                            seen.add(((Labeled) node("#coming-under-way")).getText());
                            seen.add(view.getScene().getFocusOwner().getId());
                            seen.add(state().document().stack().size() + " layers");
                          }
                        }));
    onStage(
        () -> {
          view.open(file);
          return null;
        });
    await(() -> state().document().session() != was);
    assertThat(onStage(() -> node("#coming").isVisible())).isFalse();
    await(() -> state().document().seenProperty().get());
    following.unsubscribe();
    assertThat(seen).containsExactly("Opening large.jpg …", "coming", layers + " layers");
    assertThat(onStage(() -> view.getScene().getFocusOwner().getId())).isEqualTo("picture");
  }

  @Test
  public void aLargeFileThatIsGivenUpIsSeenNoMore() throws Exception {
    onStage(
        () -> {
          state()
              .view()
              .comingProperty()
              .set(new Coming(ViewPixels.clear(new ViewPort(0, 0, 1, 40, 30))));
          return null;
        });
    assertThat(onStage(() -> node("#coming").isVisible())).isTrue();
    onStage(
        () -> {
          view.open(folder.resolve("missing.jpg"));
          return null;
        });
    await(() -> state().status().messageProperty().get().contains("missing.jpg"));
    assertThat(onStage(() -> node("#coming").isVisible())).isFalse();
  }

  private String firstLayer() {
    return state().document().stack().layers().getFirst().attributes().id();
  }

  private static KeyEvent pressed(KeyCode code) {
    return new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false);
  }

  @Test
  public void noColourOfTheLastPictureStaysInTheReadouts() throws Exception {
    robot.moveTo(onScreen(700, 900));
    await(() -> ((Label) node("#readouts")).getText().startsWith("x "));
    // Where no picture is: nothing there reads anew.
    robot.moveTo("#title");
    edit();
    openGreyBeside();
    assertThat(((Label) node("#readouts")).getText()).isEmpty();
  }

  @Test
  public void eachKeepsItsUnsavedWorkInAJournalOfItsOwn() throws Exception {
    List<Path> before = recipes();
    edit();
    openGreyBeside();
    edit();
    await(() -> recipes().size() == before.size() + 2);
    exchange();
    await(() -> state().document().seenProperty().get());
    assertThat(recipes()).hasSize(before.size() + 2);
  }

  @Test
  public void aFileThatIsBeingWrittenStaysItsOwnDocuments() throws Exception {
    edit();
    openGreyBeside();
    edit();
    Path file = folder.resolve("grey.carezza");
    answer(file);
    onStage(
        () -> {
          view.files().askSave();
          view.files().exchange();
          return null;
        });
    await(() -> file.equals(view.workspace().all().getFirst().work().document().path()));
    assertThat(onStage(() -> state().document().pathProperty().get())).isNull();
    assertThat(onStage(() -> state().document().dirtyProperty().get())).isTrue();
    exchange();
    assertThat(onStage(() -> state().document().pathProperty().get())).isEqualTo(file);
    assertThat(onStage(() -> state().document().dirtyProperty().get())).isFalse();
  }

  @Test
  public void whatIsDoneWhileAnotherIsReadWaitsAndIsNotLost() throws Exception {
    CountDownLatch edited = new CountDownLatch(1);
    onStage(
        () -> {
          view.open(
              "grey",
              () -> {
                edited.await();
                return Documents.with(LayerType.EXPOSURE);
              });
          return null;
        });
    edit();
    edited.countDown();
    await(() -> state().document().stack().size() == 1);
    exchange();
    assertThat(layers()).isZero();
    assertThat(onStage(() -> state().document().dirtyProperty().get())).isTrue();
  }

  @Test
  public void theWindowAsksAboutEveryUnsavedPictureBeforeItEnds() throws Exception {
    edit();
    openGreyBeside();
    assertThat(onStage(() -> view.mayClose())).isFalse();
    // The one at work is as it was opened: the other has come to the bench, and is asked about.
    await(() -> isThere("#unsaved"));
    assertThat(layers()).isZero();
    clickOn("#unsaved-stay");
    assertThat(onStage(() -> view.getScene().getWindow().isShowing())).isTrue();
  }
}
