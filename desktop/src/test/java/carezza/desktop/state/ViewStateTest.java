package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.picture.MaskView;
import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.measure.CheckView;
import carezza.model.LayerStack;
import carezza.model.Stage;

/** How the picture is looked at, without a window. */
public class ViewStateTest {

  private DocumentState document;
  private ViewState view;

  @BeforeMethod
  public void open() {
    AppState state = AppState.with(TaskRunner.inPlace());
    document = state.document();
    view = state.view();
    document.open(Documents.with(LayerType.EXPOSURE, LayerType.CURVE, LayerType.SHARPEN));
  }

  @Test
  public void thePlayheadStaysAtTheEndWhateverIsTakenAway() {
    assertThat(view.playhead()).isEqualTo(3);
    document.edit(null, p -> p.withStack(LayerStack.of(p.stack().layers().getFirst())));
    assertThat(view.playhead()).isEqualTo(1);
    document.undo();
    assertThat(view.playhead()).isEqualTo(3);
  }

  @Test
  public void thePlayheadThatWasMovedStaysWhereItIs() {
    view.moveTo(1);
    assertThat(view.shownLayers()).isEqualTo(1);
    document.edit(null, p -> p.withStack(LayerStack.EMPTY));
    document.undo();
    assertThat(view.playhead()).isEqualTo(1);
    view.moveTo(-4);
    assertThat(view.playhead()).isZero();
  }

  @Test
  public void reachingMovesThePlayheadForthAndNeverBack() {
    view.moveTo(1);
    view.reach(2);
    assertThat(view.playhead()).isEqualTo(2);
    view.reach(1);
    assertThat(view.playhead()).isEqualTo(2);
  }

  @Test
  public void asShotIsNoLayerAtAll() {
    view.asShotProperty().set(true);
    assertThat(view.shownLayers()).isZero();
    assertThat(view.playhead()).isEqualTo(3);
  }

  @Test
  public void aStageThatIsHeldIsLeftOutAndTheDocumentStaysAsItIs() {
    view.stageHeldProperty().set(Stage.GRADE);
    assertThat(view.project().stack().find("b").orElseThrow().acts()).isFalse();
    assertThat(view.project().stack().find("a").orElseThrow().acts()).isTrue();
    assertThat(document.project().stack().find("b").orElseThrow().acts()).isTrue();
    view.stageHeldProperty().set(null);
    assertThat(view.project()).isSameAs(document.project());
  }

  @Test
  public void aWayOfSeeingIsLeftByItsOwnKeyOrForAnother() {
    CheckView first = CheckView.values()[0];
    CheckView second = CheckView.values()[1];
    view.turn(first);
    view.turn(second);
    assertThat(view.checkProperty().get()).isEqualTo(second);
    view.turn(second);
    assertThat(view.checkProperty().get()).isNull();
  }

  @Test
  public void masksAreShownInEachOfTheirWaysInTurn() {
    List<MaskView> all = new ArrayList<>();
    do {
      all.add(view.maskViewProperty().get());
      view.turnMaskView();
    } while (all.getFirst() != view.maskViewProperty().get());
    assertThat(all).containsExactlyInAnyOrder(MaskView.values());
  }

  @Test
  public void groupsAreFoldedAndUnfolded() {
    view.turnFold("a");
    view.turnFold("b");
    view.turnFold("a");
    assertThat(view.folded()).isEqualTo(Set.of("b"));
    view.turnFold("c");
    view.unfold("b"::equals);
    assertThat(view.folded()).isEqualTo(Set.of("c"));
  }

  @Test
  public void anotherDocumentIsLookedAtAsItIs() {
    view.moveTo(1);
    view.turnFold("a");
    view.mirroredProperty().set(true);
    view.maskShownProperty().set(true);
    view.asShotProperty().set(true);
    view.stageHeldProperty().set(Stage.GRADE);
    view.turn(CheckView.values()[0]);
    document.open(Documents.with(LayerType.EXPOSURE, LayerType.CURVE));
    assertThat(view.playhead()).isEqualTo(2);
    assertThat(view.shownLayers()).isEqualTo(2);
    assertThat(view.folded()).isEmpty();
    assertThat(view.mirroredProperty().get()).isFalse();
    assertThat(view.maskShownProperty().get()).isFalse();
    assertThat(view.stageHeldProperty().get()).isNull();
    assertThat(view.checkProperty().get()).isNull();
  }
}
