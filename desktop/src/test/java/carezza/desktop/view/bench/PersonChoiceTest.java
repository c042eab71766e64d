package carezza.desktop.view.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.control.OnToolkit;
import carezza.desktop.state.AppState;
import carezza.desktop.state.Documents;
import carezza.desktop.state.MeasurementState;
import carezza.desktop.task.TaskRunner;
import carezza.desktop.text.Persons;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.project.Document;

/** Who is named by where they stand, whatever the order that faces are kept in. */
public class PersonChoiceTest extends OnToolkit {

  private AppState state;
  private PersonChoice choice;

  @BeforeMethod
  public void make() {
    state = AppState.with(TaskRunner.inPlace());
    choice = new PersonChoice(state);
  }

  private static FaceMap face(double x) {
    return new FaceMap(
        new FaceMap.FaceOval(x, 20, 5, 7, 0),
        new Point(x - 2, 18),
        new Point(x + 2, 18),
        new Point(x - 2, 24),
        new Point(x + 2, 24));
  }

  private void open(double... middles) {
    Document grey = Documents.with();
    List<FaceMap> faces = Arrays.stream(middles).mapToObj(PersonChoiceTest::face).toList();
    state.document().open(grey.with(grey.project().withAllFaces(faces), null));
  }

  private List<String> names() {
    return choice.getItems().stream().map(choice.getConverter()::toString).toList();
  }

  @Test
  public void oneAloneIsNotAskedFor() {
    assertThat(choice.isVisible()).isFalse();
    open(20);
    assertThat(choice.isVisible()).isFalse();
  }

  @Test
  public void twoAreLeftAndRight() {
    open(45, 12);
    assertThat(choice.isVisible()).isTrue();
    assertThat(names()).containsExactly("Everyone", "Left", "Right");
    choice.getSelectionModel().select(2);
    assertThat(state.measurements().personProperty().get()).isZero();
    choice.getSelectionModel().select(1);
    assertThat(state.measurements().personProperty().get()).isEqualTo(1);
  }

  @Test
  public void moreAreCountedFromTheLeft() {
    open(45, 12, 30);
    assertThat(names())
        .containsExactly(
            "Everyone", "1 of 3 from the left", "2 of 3 from the left", "3 of 3 from the left");
    choice.getSelectionModel().select(2);
    assertThat(state.measurements().personProperty().get()).isEqualTo(2);
  }

  @Test
  public void anotherPictureBeginsWithEveryone() {
    open(45, 12);
    choice.getSelectionModel().select(1);
    open(20);
    open(45, 12);
    assertThat(choice.getValue()).isEqualTo(Persons.EVERYONE);
    assertThat(choice.getSelectionModel().getSelectedIndex()).isZero();
  }
}
