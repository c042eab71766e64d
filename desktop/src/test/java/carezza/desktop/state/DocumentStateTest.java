package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.model.LayerStack;
import carezza.model.Point;
import carezza.model.Project;

/** The document at work, without a window. */
public class DocumentStateTest {

  private AppState state;
  private DocumentState document;

  @BeforeMethod
  public void open() {
    state = AppState.with(TaskRunner.inPlace());
    document = state.document();
    document.open(Documents.with(LayerType.WHITE_BALANCE, LayerType.DODGE_BURN));
  }

  private void empty() {
    document.edit(null, p -> p.withStack(LayerStack.EMPTY));
  }

  @Test
  public void whatIsOpenedIsSavedAndCannotBeUndone() {
    assertThat(document.dirtyProperty().get()).isFalse();
    assertThat(document.undoableProperty().get()).isFalse();
    assertThat(document.steps()).isZero();
  }

  @Test
  public void aStepCanBeUndoneAndDoneAgain() {
    Project before = document.project();
    empty();
    assertThat(document.dirtyProperty().get()).isTrue();
    document.undo();
    assertThat(document.project()).isSameAs(before);
    assertThat(document.dirtyProperty().get()).isFalse();
    assertThat(document.redoableProperty().get()).isTrue();
    document.redo();
    assertThat(document.stack().size()).isZero();
  }

  @Test
  public void stepsOfOneLabelAreOneUntilTheHandLetsGo() {
    Project before = document.project();
    for (int i = 1; i <= 5; i++) {
      double amount = i / 10.0;
      state.selection().select("a");
      state.selection().edit("amount", l -> l.with(l.attributes().withAmount(amount)));
    }
    document.undo();
    assertThat(document.project()).isEqualTo(before);
  }

  @Test
  public void aStrokeUnderWayIsShownAndIsNoStep() {
    Project before = document.project();
    document.preview(p -> p.withStack(LayerStack.EMPTY));
    assertThat(document.stack().size()).isZero();
    assertThat(document.settled()).isSameAs(before);
    assertThat(document.undoableProperty().get()).isFalse();
  }

  @Test
  public void whatWasSavedIsSavedWhateverIsDoneMeanwhile() {
    empty();
    Project saved = document.project();
    document.edit(null, p -> p.withPins(List.of(new Point(1, 1))));
    document.savedAs(Path.of("x.carezza"), saved);
    assertThat(document.dirtyProperty().get()).isTrue();
    document.undo();
    assertThat(document.dirtyProperty().get()).isFalse();
    assertThat(document.current().path()).isEqualTo(Path.of("x.carezza"));
  }

  @Test
  public void whatHangsOnADocumentLetsGoOnceTheNextIsThere() {
    List<Integer> layers = new ArrayList<>();
    document.sessionProperty().subscribe((was, is) -> layers.add(document.stack().size()));
    var before = document.session();
    document.open(Documents.with(LayerType.CURVE));
    assertThat(layers).containsExactly(1);
    assertThat(document.session()).isNotSameAs(before);
    assertThat(document.seenProperty().get()).isFalse();
    document.beSeen(before);
    assertThat(document.seenProperty().get()).isFalse();
    document.beSeen(document.session());
    assertThat(document.seenProperty().get()).isTrue();
  }

  @Test
  public void nothingIsMeasuredBeforeThePictureIsOnTheScreen() {
    assertThat(state.measurements().gaugesProperty().get()).isEmpty();
    document.beSeen(document.session());
    assertThat(state.measurements().gaugesProperty().get()).isNotEmpty();
    document.open(Documents.with());
    assertThat(state.measurements().gaugesProperty().get()).isEmpty();
  }

  @Test
  public void stepsHaveNamesAndCanBeWalked() {
    state.selection().select("a");
    state.selection().turnLayer();
    state.selection().edit(null, l -> l.with(l.attributes().withAmount(0.4)));
    state.selection().move(1);
    state.selection().remove();
    state.selection().add(LayerType.CURVE);
    document.edit(null, p -> p.withPins(List.of(new Point(1, 1))));
    List<Project> course = document.course();
    List<String> names = new ArrayList<>();
    for (int i = 1; i < course.size(); i++) {
      names.add(StepNames.of(course.get(i - 1), course.get(i)));
    }
    assertThat(names)
        .containsExactly(
            "White balance switched off",
            "White balance: amount 40 %",
            "Moved White balance",
            "Removed White balance",
            "Added Curve",
            "Pins");
    document.walkTo(1);
    assertThat(document.project()).isSameAs(course.get(1));
    assertThat(document.course()).isEqualTo(course);
    document.walkTo(6);
    assertThat(document.project()).isSameAs(course.get(6));
    assertThat(document.redoableProperty().get()).isFalse();
  }

  @Test
  public void aMessageHoldsUntilTheNextStep() {
    state.status().say("Settle has no layer yet");
    empty();
    assertThat(state.status().messageProperty().get()).isEmpty();
  }
}
