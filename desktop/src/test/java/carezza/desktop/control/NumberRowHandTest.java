package carezza.desktop.control;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.event.ActionEvent;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** A number with its slider and its field under a hand. */
public class NumberRowHandTest extends OnToolkit {

  private final List<Double> told = new ArrayList<>();
  private int settled;
  private int reset;
  private int worded;
  private NumberRow row;
  private Slider slider;
  private TextField field;

  @BeforeMethod
  public void row() {
    told.clear();
    settled = 0;
    reset = 0;
    worded = 0;
    row =
        new NumberRow(
            "amount",
            "Amount",
            "how much",
            0,
            200,
            v -> {
              worded++;
              return String.format(Locale.ROOT, "%.0f %%", v);
            });
    row.onChange(told::add, () -> settled++, () -> reset++);
    slider = (Slider) row.lookup("#amount");
    field = (TextField) row.lookup("#amount-field");
  }

  private void type(String text) {
    field.setText(text);
    field.fireEvent(new ActionEvent());
  }

  private static void key(Node node, KeyCode code) {
    Event.fireEvent(
        node, new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false));
  }

  private static void click(Node node, int times) {
    Event.fireEvent(
        node,
        new MouseEvent(
            MouseEvent.MOUSE_CLICKED,
            1,
            1,
            1,
            1,
            MouseButton.PRIMARY,
            times,
            false,
            false,
            false,
            false,
            false,
            false,
            false,
            true,
            false,
            true,
            null));
  }

  @Test
  public void whatIsShownIsToldToNobody() {
    row.show(40);
    assertThat(slider.getValue()).isEqualTo(40);
    assertThat(field.getText()).isEqualTo("40 %");
    assertThat(told).isEmpty();
    assertThat(settled).isZero();
  }

  @Test
  public void aNumberThatStaysIsNotWrittenAgain() {
    row.show(40);
    int before = worded;
    for (int i = 0; i < 50; i++) {
      row.show(40);
    }
    assertThat(worded).isEqualTo(before);
    row.show(41);
    assertThat(field.getText()).isEqualTo("41 %");
  }

  @Test
  public void theSliderTellsAndIsWrittenBeside() {
    slider.setValue(75);
    assertThat(told).containsExactly(75.0);
    assertThat(field.getText()).isEqualTo("75 %");
  }

  @Test
  public void aTypedNumberIsTakenSettledAndWrittenWithItsUnit() {
    row.show(40);
    type("55,4");
    assertThat(told).hasSize(1);
    assertThat(told.getFirst()).isCloseTo(55.4, within(1e-9));
    assertThat(settled).isEqualTo(1);
    assertThat(field.getText()).isEqualTo("55 %");
  }

  @Test
  public void whatIsNoNumberIsForgotten() {
    row.show(40);
    type("a little more");
    assertThat(told).isEmpty();
    assertThat(field.getText()).isEqualTo("40 %");
  }

  @Test
  public void aTypedNumberBeyondTheRangeEndsAtIt() {
    row.show(40);
    type("900");
    assertThat(slider.getValue()).isEqualTo(200);
    assertThat(field.getText()).isEqualTo("200 %");
  }

  @Test
  public void typedAgainAsItIsItIsWrittenAsItWas() {
    row.show(40);
    type("40.0");
    assertThat(field.getText()).isEqualTo("40 %");
    row.show(40);
    assertThat(field.getText()).isEqualTo("40 %");
  }

  @Test
  public void arrowsInTheFieldStepIt() {
    row.show(40);
    key(field, KeyCode.UP);
    assertThat(slider.getValue()).isCloseTo(42, within(1e-9));
    key(field, KeyCode.DOWN);
    key(field, KeyCode.DOWN);
    assertThat(slider.getValue()).isCloseTo(38, within(1e-9));
    assertThat(settled).isEqualTo(3);
  }

  @Test
  public void aDoubleClickOnItsNameResetsIt() {
    Node name =
        row.getChildren().stream().filter(Label.class::isInstance).findFirst().orElseThrow();
    click(name, 1);
    assertThat(reset).isZero();
    click(name, 2);
    click(slider, 2);
    assertThat(reset).isEqualTo(2);
  }

  @Test
  public void bothPartsSayWhatTheyAre() {
    assertThat(slider.getAccessibleText()).isEqualTo("Amount");
    assertThat(field.getAccessibleText()).isEqualTo("Amount");
  }

  /** In a window, where fields have the focus. */
  private void inAWindow(Runnable work) {
    Stage stage = new Stage();
    stage.setScene(new Scene(new VBox(row, new Button("elsewhere")), 400, 100));
    stage.show();
    field.requestFocus();
    assertThat(field.isFocused()).isTrue();
    try {
      work.run();
    } finally {
      stage.hide();
    }
  }

  @Test
  public void aFieldThatIsOnlyStoodInFollowsAndTakesNothing() {
    row.show(40);
    inAWindow(
        () -> {
          row.show(60);
          assertThat(field.getText()).isEqualTo("60 %");
          slider.requestFocus();
          assertThat(told).isEmpty();
          assertThat(slider.getValue()).isEqualTo(60);
        });
  }

  @Test
  public void whatIsBeingTypedIsNotWrittenOver() {
    row.show(40);
    inAWindow(
        () -> {
          field.setText("7");
          row.show(60);
          assertThat(field.getText()).isEqualTo("7");
          slider.requestFocus();
          assertThat(told).containsExactly(7.0);
        });
  }

  @Test
  public void aNumberBeyondTheSliderIsLeftAsItIsWhenItsFieldIsLeft() {
    row.show(260);
    inAWindow(
        () -> {
          slider.requestFocus();
          assertThat(field.getText()).isEqualTo("260 %");
          assertThat(told).isEmpty();
          assertThat(settled).isZero();
        });
  }
}
