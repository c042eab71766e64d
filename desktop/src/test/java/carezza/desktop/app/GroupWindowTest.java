package carezza.desktop.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;

import org.testng.annotations.Test;

import carezza.model.LayerStack;

/** Groups on the course, by key and card. */
public class GroupWindowTest extends WindowDriver {

  private LayerStack stack() {
    return state().document().stack();
  }

  /** The group that is in hand. */
  private String grouped(String card) {
    clickOn("#card-" + card);
    key(KeyCode.J);
    return onStage(() -> state().selection().selected());
  }

  private String before(String id) {
    return onStage(() -> stack().layers().get(stack().indexOf(id) - 1).attributes().id());
  }

  @Test
  public void aKeyTakesTwoLayersIntoAGroupAndAnotherTakesItApart() {
    String below = before("eyes");
    String group = grouped("eyes");
    assertThat(onStage(() -> stack().members(group))).containsExactlyInAnyOrder("eyes", below);
    Node card = node("#card-" + group);
    assertThat(card.getStyleClass()).contains("group", "selected");
    clickOn("#take-apart");
    assertThat(onStage(() -> stack().find(group))).isEmpty();
    assertThat(onStage(() -> stack().indexOf("eyes"))).isPositive();
  }

  @Test
  public void aGroupsAmountChangesWhatItsLayersDoTogether() throws Exception {
    String group = grouped("eyes");
    await(() -> picture().isExact());
    int full = shownAt(0.5, 0.5);
    onStage(
        () -> {
          Slider amount = node("#amount");
          amount.setValue(0);
          return null;
        });
    await(() -> picture().isExact());
    assertThat(layer(group).attributes().amount()).isZero();
    // Neither eyes nor teeth lie in the middle of the picture.
    assertThat(distance(full, shownAt(0.5, 0.5))).isLessThanOrEqualTo(ROUNDING);
    assertThat(onStage(() -> stack().acting().find("eyes").orElseThrow().acts())).isFalse();
  }

  @Test
  public void aFoldedGroupHidesItsCardsAndOpensForTheLayerThatIsTakenInHand() {
    String group = grouped("eyes");
    clickOn("#fold-" + group);
    Node member = node("#card-eyes");
    assertThat(member.isVisible()).isFalse();
    key(KeyCode.LEFT);
    assertThat(onStage(() -> state().selection().selected())).isEqualTo("eyes");
    assertThat(onStage(() -> node("#card-eyes").isVisible())).isTrue();
    assertThat(onStage(() -> state().view().folded())).isEqualTo(Set.of());
  }
}
