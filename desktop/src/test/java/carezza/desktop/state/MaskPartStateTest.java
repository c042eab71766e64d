package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.desktop.task.TaskRunner;
import carezza.kernel.LayerType;
import carezza.model.Mask;
import carezza.model.Mask.Quantity;
import carezza.model.MaskParts;
import carezza.model.MaskParts.Join;

/** The part of a mask that is being changed, without a window. */
public class MaskPartStateTest {

  private AppState state;
  private MaskPartState part;

  @BeforeMethod
  public void open() {
    state = AppState.with(TaskRunner.inPlace());
    part = state.part();
    state.document().open(Documents.with(LayerType.CURVE, LayerType.EXPOSURE));
    state.selection().select("a");
  }

  private MaskParts parts() {
    return MaskParts.of(state.document().stack().find("a").orElseThrow().attributes().mask());
  }

  @Test
  public void anOvalInAPictureOfNobodyLiesInItsMiddle() {
    Mask.Ellipse oval = part.freshOval();
    assertThat(oval.x()).isEqualTo(30);
    assertThat(oval.y()).isEqualTo(20);
    assertThat(oval.radiusX()).isEqualTo(15);
    assertThat(oval.radiusY()).isEqualTo(10);
  }

  @Test
  public void aShapeThatIsAddedIsInHandWithTheToolThatMovesIt() {
    Mask.Ellipse oval = part.freshOval();
    part.add(Join.START, oval);
    assertThat(part.mask()).contains(oval);
    assertThat(state.tools().tool()).isEqualTo(ToolKind.PART);
    part.drop();
    assertThat(part.mask()).isEmpty();
    assertThat(state.tools().tool()).isEqualTo(ToolKind.HAND);
  }

  @Test
  public void aRangeHasNoPlaceAndNeedsNoTool() {
    Mask.Range range = MaskPartState.wholeRange(Quantity.LIGHTNESS);
    state.tools().toolProperty().set(ToolKind.MASK);
    part.add(Join.START, range);
    assertThat(part.mask()).contains(range);
    assertThat(state.tools().tool()).isEqualTo(ToolKind.MASK);
  }

  @Test
  public void aFreshRangeLeavesRoomForItsShoulders() {
    for (Quantity quantity : Quantity.values()) {
      Mask.Range range = MaskPartState.wholeRange(quantity);
      assertThat(new double[] {range.start(), range.full(), range.fullEnd(), range.end()})
          .isSorted();
      assertThat(range.start()).isPositive();
      assertThat(range.end()).isLessThan(quantity.span());
    }
  }

  @Test
  public void thePartInHandIsChangedAndNoOther() {
    part.add(Join.START, part.freshOval());
    part.add(Join.WITHIN, part.freshGradient());
    int before = parts().parts().size();
    part.choose(0);
    Mask.Ellipse moved = new Mask.Ellipse(5, 6, 7, 8, 0, 0.5);
    state.selection().edit(null, l -> part.changed(l, moved));
    assertThat(parts().parts()).hasSize(before);
    assertThat(parts().parts().getFirst().own()).isEqualTo(moved);
    assertThat(parts().parts().getLast().own()).isEqualTo(part.freshGradient());
  }

  @Test
  public void anotherLayerHasNoPartInHand() {
    part.add(Join.START, part.freshOval());
    state.selection().select("b");
    assertThat(part.mask()).isEmpty();
  }

  @Test
  public void addingIsOneStep() {
    int steps = state.document().steps();
    part.add(Join.START, part.freshOval());
    assertThat(state.document().steps()).isEqualTo(steps + 1);
  }
}
