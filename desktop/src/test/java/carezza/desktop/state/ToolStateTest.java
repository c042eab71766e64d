package carezza.desktop.state;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

import carezza.kernel.LayerType;

/** Tools and their brushes, without a window. */
public class ToolStateTest {

  private ToolState tools;

  @BeforeMethod
  public void fresh() {
    tools = new ToolState();
  }

  @Test
  public void theSameToolIsPutDown() {
    tools.turn(ToolKind.MASK);
    assertThat(tools.tool()).isEqualTo(ToolKind.MASK);
    tools.turn(ToolKind.REPAIR);
    assertThat(tools.tool()).isEqualTo(ToolKind.REPAIR);
    tools.turn(ToolKind.REPAIR);
    assertThat(tools.tool()).isEqualTo(ToolKind.HAND);
  }

  @Test
  public void aBrushBeginsAsItSuitsItsTool() {
    tools.takeBrush(LayerType.HEAL, ToolKind.HEAL);
    double spot = tools.brush().radius();
    tools.takeBrush(LayerType.DODGE_BURN, ToolKind.DODGE);
    assertThat(tools.brush().radius()).isGreaterThan(spot);
    assertThat(tools.brush().strength()).isLessThan(0.5);
  }

  @Test
  public void eachToolComesBackWithTheBrushThatItHad() {
    tools.takeBrush(LayerType.HEAL, ToolKind.HEAL);
    tools.brushProperty().set(tools.brush().radiusTimes(3));
    Brush healing = tools.brush();
    tools.takeBrush(LayerType.DODGE_BURN, ToolKind.DODGE);
    assertThat(tools.brush()).isNotEqualTo(healing);
    tools.takeBrush(LayerType.HEAL, ToolKind.HEAL);
    assertThat(tools.brush()).isEqualTo(healing);
  }

  @Test
  public void aToolHasABrushForEachKindOfLayer() {
    tools.takeBrush(LayerType.CURVE, ToolKind.MASK);
    tools.brushProperty().set(tools.brush().softer(-0.2));
    Brush ofCurves = tools.brush();
    tools.takeBrush(LayerType.EXPOSURE, ToolKind.MASK);
    assertThat(tools.brush()).isNotEqualTo(ofCurves);
    tools.takeBrush(LayerType.CURVE, ToolKind.MASK);
    assertThat(tools.brush()).isEqualTo(ofCurves);
  }

  @Test
  public void aToolWithoutABrushLeavesTheLastAsItWas() {
    tools.takeBrush(LayerType.HEAL, ToolKind.HEAL);
    Brush healing = tools.brush();
    tools.takeBrush(LayerType.HEAL, ToolKind.REPAIR);
    assertThat(tools.brush()).isEqualTo(healing);
  }

  @Test
  public void brushesStayWithinTheirRanges() {
    Brush brush = new Brush(24, 0.35, 1);
    assertThat(brush.radiusTimes(1e9).radius()).isLessThan(1e5);
    assertThat(brush.radiusTimes(1e-9).radius()).isPositive();
    assertThat(brush.softer(5).softness()).isEqualTo(1);
    assertThat(brush.softer(-5).softness()).isZero();
    assertThat(brush.stronger(5).strength()).isEqualTo(1);
    assertThat(brush.stronger(-5).strength()).isPositive();
  }
}
