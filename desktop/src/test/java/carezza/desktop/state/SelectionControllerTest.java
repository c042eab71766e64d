package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.model.CurveLayer;
import carezza.model.GroupLayer;
import carezza.model.Stage;

/** What goes with a layer being taken in hand, without a window. */
public class SelectionControllerTest {

  private AppState state;

  @BeforeMethod
  public void open() {
    state = AppState.with(TaskRunner.inPlace());
    state
        .document()
        .open(
            Documents.with(
                LayerType.WHITE_BALANCE, LayerType.EXPOSURE, LayerType.HEAL, LayerType.DODGE_BURN));
  }

  private String inHand() {
    return state.selection().selected();
  }

  @Test
  public void aLayerBringsItsToolAndItsBrush() {
    state.selection().select("d");
    assertThat(state.tools().tool()).isEqualTo(ToolKind.DODGE);
    Brush light = state.tools().brush();
    state.selection().select("c");
    assertThat(state.tools().tool()).isEqualTo(ToolKind.HEAL);
    assertThat(state.tools().brush()).isNotEqualTo(light);
    state.selection().select(null);
    assertThat(state.tools().tool()).isEqualTo(ToolKind.HAND);
  }

  @Test
  public void eachToolKeepsTheBrushThatItHadOnAKindOfLayer() {
    state.selection().select("d");
    Brush set = new Brush(77, 0.3, 0.4);
    state.tools().brushProperty().set(set);
    state.selection().select("c");
    state.selection().select("d");
    assertThat(state.tools().brush()).isEqualTo(set);
  }

  @Test
  public void aStageIsWalkedThroughLayerByLayer() {
    state.selection().goTo(Stage.SETTLE);
    assertThat(inHand()).isEqualTo("a");
    state.selection().goTo(Stage.SETTLE);
    assertThat(inHand()).isEqualTo("b");
    state.selection().goTo(Stage.SETTLE);
    assertThat(inHand()).isEqualTo("a");
  }

  @Test
  public void anEmptyStageSaysSoAndLeavesTheHand() {
    state.selection().select("a");
    state.selection().goTo(Stage.GRADE);
    assertThat(inHand()).isEqualTo("a");
    assertThat(state.status().messageProperty().get()).contains("Grade");
  }

  @Test
  public void aLayerThatIsAddedIsInHandAndInSight() {
    state.view().moveTo(1);
    state.selection().add(LayerType.CURVE);
    assertThat(state.selection().layer(CurveLayer.class)).isPresent();
    assertThat(state.view().playhead()).isEqualTo(5);
  }

  @Test
  public void theNeighbourOfARemovedLayerComesIntoTheHand() {
    state.selection().select("b");
    state.selection().remove();
    assertThat(inHand()).isEqualTo("a");
    state.selection().remove();
    assertThat(inHand()).isNull();
  }

  @Test
  public void aLayerThatUndoBringsBackIsInHandAndThePlayheadAtTheEnd() {
    state.selection().select("b");
    state.selection().remove();
    state.selection().undo();
    assertThat(inHand()).isEqualTo("b");
    assertThat(state.view().playhead()).isEqualTo(4);
    assertThat(state.view().shownLayers()).isEqualTo(4);
  }

  @Test
  public void theArrowsGoFromLayerToLayerAndStopAtTheEnds() {
    state.selection().step(1);
    assertThat(inHand()).isEqualTo("a");
    state.selection().step(-1);
    assertThat(inHand()).isEqualTo("a");
    for (int i = 0; i < 9; i++) {
      state.selection().step(1);
    }
    assertThat(inHand()).isEqualTo("d");
  }

  @Test
  public void aLayerIsDoubledMovedAndRenamed() {
    state.selection().select("a");
    state.selection().twice();
    assertThat(state.document().stack().size()).isEqualTo(5);
    assertThat(state.document().stack().indexOf(inHand())).isEqualTo(1);
    state.selection().move("a", Stage.FINISH, 0);
    assertThat(state.document().stack().indexOf("a")).isEqualTo(4);
    assertThat(inHand()).isEqualTo("a");
    state.selection().rename("a", "Late balance");
    assertThat(state.selection().layer().orElseThrow().attributes().name())
        .isEqualTo("Late balance");
    state.selection().rename("a", "  ");
    assertThat(state.selection().layer().orElseThrow().attributes().name())
        .isEqualTo("Late balance");
  }

  @Test
  public void aGroupComesIntoTheHandAndTakesOneMoreEachTime() {
    state.selection().select("b");
    state.selection().group();
    String group = inHand();
    assertThat(state.document().stack().find(group).orElseThrow()).isInstanceOf(GroupLayer.class);
    assertThat(state.document().stack().members(group)).containsExactlyInAnyOrder("a", "b");
    state.selection().takeApart();
    assertThat(state.document().stack().find(group)).isEmpty();
    assertThat(inHand()).isIn("a", "b");
  }

  @Test
  public void aGroupIsDoubledWholeAndTheCopyIsInHand() {
    state.selection().select("b");
    state.selection().group();
    String group = inHand();
    state.selection().twice();
    assertThat(inHand()).isNotEqualTo(group);
    assertThat(state.document().stack().members(inHand())).hasSize(2);
  }

  @Test
  public void aLayerPutBetweenMembersJoinsThemInTheirStage() {
    state.selection().select("b");
    state.selection().group();
    String group = inHand();
    state.selection().move("d", Stage.SETTLE, 1);
    assertThat(state.document().stack().members(group)).containsExactlyInAnyOrder("a", "b", "d");
    assertThat(state.document().stack().find("d").orElseThrow().attributes().stage())
        .isEqualTo(Stage.SETTLE);
    assertThat(inHand()).isEqualTo("d");
  }

  @Test
  public void aFoldedGroupOpensForAnother() {
    state.selection().select("b");
    state.selection().group();
    String group = inHand();
    state.view().turnFold(group);
    assertThat(state.view().folded()).containsExactly(group);
    state.view().unfold(g -> state.document().stack().members(g).contains("a"));
    assertThat(state.view().folded()).isEmpty();
  }

  @Test
  public void aLayerIsSwitchedAndEachIsAStepOfItsOwn() {
    state.selection().select("a");
    state.selection().turnLayer();
    assertThat(state.selection().layer().orElseThrow().attributes().on()).isFalse();
    state.selection().undo();
    assertThat(state.selection().layer().orElseThrow().attributes().on()).isTrue();
  }

  @Test
  public void anotherDocumentLeavesNothingInHand() {
    state.selection().select("d");
    state.view().comparisonProperty().set(Comparison.WIPE);
    state.view().moveTo(1);
    state.document().open(Documents.with(LayerType.CURVE));
    assertThat(inHand()).isNull();
    assertThat(state.tools().tool()).isEqualTo(ToolKind.HAND);
    assertThat(state.view().comparisonProperty().get()).isEqualTo(Comparison.NONE);
    assertThat(state.view().playhead()).isEqualTo(1);
    state.selection().add(LayerType.CURVE);
    assertThat(state.view().playhead()).isEqualTo(2);
  }
}
