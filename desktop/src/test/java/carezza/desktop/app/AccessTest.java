package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Spinner;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;

import org.testng.annotations.Test;

import carezza.desktop.action.Action;
import carezza.model.CurveLayer;
import carezza.model.Layer;

/** Everything is reached by keys, and everything that takes the focus says what it is. */
public class AccessTest extends WindowDriver {

  @Test
  public void noTwoActionsHaveOneKey() {
    assertThat(onStage(() -> view.actions().conflicts())).isEmpty();
  }

  @Test
  public void everyActionSaysWhatItDoes() {
    for (Action action : onStage(() -> view.actions().all())) {
      assertThat(action.text()).as(action.id()).isNotBlank();
      assertThat(action.hint()).as(action.id()).isNotBlank();
    }
  }

  @Test
  public void whatTakesTheFocusHasAName() {
    List<String> nameless = new ArrayList<>();
    for (Layer layer : project().stack().layers()) {
      String id = layer.attributes().id();
      onStage(
          () -> {
            state().selection().select(id);
            return null;
          });
      for (String page : new String[] {"#page-what", "#page-where"}) {
        onStage(
            () -> {
              ((ToggleButton) node(page)).fire();
              view.layout();
              collect(view, nameless);
              return null;
            });
      }
    }
    onStage(
        () -> {
          for (String id : new String[] {"deliver", "plan", "journal"}) {
            ((ToggleButton) node("#view-" + id)).fire();
            view.layout();
            collect(view, nameless);
          }
          return null;
        });
    assertThat(nameless.stream().distinct()).isEmpty();
  }

  private static void collect(Node node, List<String> nameless) {
    if (!node.isVisible()) {
      return;
    }
    boolean plumbing =
        node instanceof ScrollPane || node instanceof ScrollBar || node instanceof Label;
    if (node instanceof Control && node.isFocusTraversable() && !plumbing && !named(node)) {
      nameless.add(node.getClass().getSimpleName() + " " + node.getId());
    }
    if (node instanceof Parent parent && !(node instanceof Spinner)) {
      parent.getChildrenUnmodifiable().forEach(child -> collect(child, nameless));
    }
  }

  private static boolean named(Node node) {
    boolean said = node.getAccessibleText() != null && !node.getAccessibleText().isBlank();
    return said || node instanceof Labeled l && l.getText() != null && !l.getText().isBlank();
  }

  @Test
  public void theDigitsReachEveryLayer() {
    for (Layer layer : project().stack().layers()) {
      KeyCode digit =
          KeyCode.getKeyCode(Integer.toString(layer.attributes().stage().ordinal() + 1));
      boolean reached = false;
      for (int i = 0; i < project().stack().size() && !reached; i++) {
        key(digit);
        reached = layer.attributes().id().equals(onStage(() -> state().selection().selected()));
      }
      assertThat(reached).as(layer.attributes().name()).isTrue();
    }
  }

  @Test
  public void spaceWorksTheControlInFocusAndNotThePicture() {
    onStage(
        () -> {
          node("#switch-sculpt").requestFocus();
          node("#card-fall").requestFocus();
          return null;
        });
    robot.type(KeyCode.SPACE);
    RobotHand.settle();
    assertThat(onStage(() -> state().selection().selected())).isEqualTo("fall");
    onStage(
        () -> {
          node("#view-deliver").requestFocus();
          return null;
        });
    robot.type(KeyCode.SPACE);
    RobotHand.settle();
    assertThat(isThere("#deliver")).isTrue();
  }

  @Test
  public void keysGoOnWhenTheButtonThatWasPressedIsMadeAnew() {
    clickOn("#add-mend");
    assertThat(onStage(() -> view.getScene().getFocusOwner())).isNotNull();
    robot.press(KeyCode.CONTROL).type(KeyCode.D).release(KeyCode.CONTROL);
    RobotHand.settle();
    assertThat(isThere("#deliver")).isTrue();
  }

  @Test
  public void whatIsTypedInASheetStaysThere() {
    var before = project();
    onStage(
        () -> {
          state().selection().select("sculpt");
          picture().requestFocus();
          return null;
        });
    robot.press(KeyCode.CONTROL).type(KeyCode.K).release(KeyCode.CONTROL);
    RobotHand.settle();
    for (KeyCode code :
        new KeyCode[] {KeyCode.O, KeyCode.P, KeyCode.DIGIT2, KeyCode.DELETE, KeyCode.Z}) {
      robot.type(code);
    }
    RobotHand.settle();
    assertThat(onStage(() -> state().selection().selected())).isEqualTo("sculpt");
    robot.type(KeyCode.ESCAPE);
    RobotHand.settle();
    assertThat(isThere("#commands")).isFalse();
    assertThat(project()).isEqualTo(before);
  }

  @Test
  public void inDeliveryNothingOfTheBenchIsRemoved() {
    var before = project();
    onStage(
        () -> {
          state().selection().select("sculpt");
          view.navigation().show(Navigation.DELIVER);
          picture().requestFocus();
          return null;
        });
    robot.type(KeyCode.DELETE);
    robot.type(KeyCode.O);
    RobotHand.settle();
    assertThat(project()).isEqualTo(before);
    robot.type(KeyCode.ESCAPE);
    RobotHand.settle();
    assertThat(isThere("#deliver")).isFalse();
    onStage(
        () -> {
          view.navigation().show(Navigation.DELIVER);
          return null;
        });
    // The name of the file has the focus now.
    robot.type(KeyCode.ESCAPE);
    RobotHand.settle();
    assertThat(isThere("#deliver")).isFalse();
  }

  @Test
  public void aCommandIsFoundByItsWordsAndGivenAnotherKey() {
    robot.type(KeyCode.F1);
    RobotHand.settle();
    onStage(
        () -> {
          ((TextField) node("#command-search")).setText("mirror left");
          return null;
        });
    clickOn("#change-key");
    robot.press(KeyCode.CONTROL).type(KeyCode.M).release(KeyCode.CONTROL);
    RobotHand.settle();
    Action mirror = view.actions().get("mirror");
    assertThat(mirror.keyProperty().get()).isEqualTo(KeyCombination.valueOf("Shortcut+M"));
    robot.type(KeyCode.ESCAPE);
    RobotHand.settle();
    key(KeyCode.X);
    assertThat(onStage(() -> state().view().mirroredProperty().get())).isFalse();
    robot.press(KeyCode.CONTROL).type(KeyCode.M).release(KeyCode.CONTROL);
    RobotHand.settle();
    assertThat(onStage(() -> state().view().mirroredProperty().get())).isTrue();
    onStage(
        () -> {
          view.actions().setKey(mirror, mirror.usualKey());
          return null;
        });
  }

  @Test
  public void aCurveIsBentByKeys() {
    onStage(
        () -> {
          state().selection().select("grade");
          node("#curve").requestFocus();
          return null;
        });
    CurveLayer before = (CurveLayer) layer("grade");
    robot.type(KeyCode.RIGHT);
    robot.type(KeyCode.UP);
    RobotHand.settle();
    CurveLayer after = (CurveLayer) layer("grade");
    assertThat(onStage(() -> state().selection().selected())).isEqualTo("grade");
    assertThat(after.of(CurveLayer.Channel.LUMINANCE))
        .hasSameSizeAs(before.of(CurveLayer.Channel.LUMINANCE))
        .isNotEqualTo(before.of(CurveLayer.Channel.LUMINANCE));
  }

  @Test
  public void aNumberIsTypedWithItsUnitAndPutBack() {
    clickOn("#card-sculpt");
    onStage(
        () -> {
          TextField field = node("#amount-field");
          field.requestFocus();
          field.setText("62 %");
          return null;
        });
    robot.type(KeyCode.ENTER);
    RobotHand.settle();
    assertThat(layer("sculpt").attributes().amount()).isEqualTo(0.62);
    // The keys are the bench's again.
    assertThat(onStage(() -> view.getScene().getFocusOwner())).isSameAs(picture());
    robot.moveTo("#amount");
    robot.doubleClickOn("#amount");
    RobotHand.settle();
    assertThat(layer("sculpt").attributes().amount()).isEqualTo(1);
  }
}
