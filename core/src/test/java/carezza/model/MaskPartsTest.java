package carezza.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.kernel.LayerType;
import carezza.model.Mask.And;
import carezza.model.Mask.Dilate;
import carezza.model.Mask.Disabled;
import carezza.model.Mask.Ellipse;
import carezza.model.Mask.Everything;
import carezza.model.Mask.Feather;
import carezza.model.Mask.Invert;
import carezza.model.Mask.LinkedMask;
import carezza.model.Mask.Minus;
import carezza.model.Mask.Nothing;
import carezza.model.Mask.Opacity;
import carezza.model.Mask.Or;
import carezza.model.Mask.Quantity;
import carezza.model.Mask.Range;
import carezza.model.Mask.Refine;
import carezza.model.Mask.RegionMask;
import carezza.model.MaskParts.Join;
import carezza.model.MaskParts.Part;

public class MaskPartsTest {

  private static final Mask SKIN = new RegionMask(SemanticRegion.FACE_SKIN);
  private static final Mask LIPS = new RegionMask(SemanticRegion.LIPS);
  private static final Mask LIGHT = new Range(Quantity.LIGHTNESS, 50, 60, 100, 100);
  private static final Stroke DAB = Stroke.dab(5, 5, 3, 0.5);

  @DataProvider
  public Object[][] masks() {
    return new Object[][] {
      {new Everything()},
      {SKIN},
      {new Nothing().painted(DAB)},
      {new And(new Minus(SKIN, LIPS), LIGHT).painted(DAB).painted(DAB)},
      {new Dilate(new Feather(new Or(SKIN, new Ellipse(5, 5, 4, 3, 0, 1)), 8), -3)},
      {new Refine(new Opacity(new Invert(LIPS), 0.5), 4)},
      {new Disabled(new Minus(new Disabled(SKIN), LIPS))},
      {new And(SKIN, new Or(LIPS, LIGHT))}
    };
  }

  @Test(dataProvider = "masks")
  public void partsPutTogetherAreTheMask(Mask mask) {
    assertThat(MaskParts.of(mask).mask()).isEqualTo(mask);
  }

  @Test
  public void aPartThatIsOffDoesNotAct() {
    MaskParts parts = MaskParts.of(new Minus(SKIN, LIPS)).switched(1, false);
    assertThat(parts.mask()).isEqualTo(new Disabled(new Minus(SKIN, LIPS)));
    assertThat(parts.acting()).isEqualTo(SKIN);
    assertThat(parts.switched(1, true).acting()).isEqualTo(new Minus(SKIN, LIPS));
    assertThat(parts.mask().acting()).isEqualTo(SKIN);
  }

  @Test
  public void takingOutTheStartLetsTheNextPartStart() {
    assertThat(MaskParts.of(new And(SKIN, LIGHT)).without(0).mask()).isEqualTo(LIGHT);
    assertThat(MaskParts.of(new Minus(SKIN, LIPS)).without(0).mask())
        .isEqualTo(new Minus(new Everything(), LIPS));
    assertThat(MaskParts.of(SKIN).without(0).mask()).isEqualTo(new Everything());
    assertThat(MaskParts.of(SKIN.painted(DAB)).without(0).mask())
        .isEqualTo(new Nothing().painted(DAB));
  }

  @Test
  public void partsAreChangedAndJoinedInAnotherWay() {
    MaskParts parts = MaskParts.of(new Minus(SKIN, LIPS));
    assertThat(parts.joined(1, Join.WITHIN).mask()).isEqualTo(new And(SKIN, LIPS));
    assertThat(parts.joined(0, Join.WITHIN)).isEqualTo(parts);
    assertThat(parts.changed(1, LIGHT).mask()).isEqualTo(new Minus(SKIN, LIGHT));
    assertThat(MaskParts.of(new Feather(SKIN, 3)).changed(1, new Feather(new Nothing(), 9)).mask())
        .isEqualTo(new Feather(SKIN, 9));
  }

  @Test
  public void whatIsAddedToNothingOrEverythingIsTheStart() {
    assertThat(MaskParts.of(new Everything()).plus(Join.PLUS, LIPS).mask()).isEqualTo(LIPS);
    assertThat(MaskParts.of(new Everything()).plus(Join.MINUS, LIPS).mask())
        .isEqualTo(new Minus(new Everything(), LIPS));
    assertThat(MaskParts.of(SKIN).plus(Join.PLUS, LIPS).mask()).isEqualTo(new Or(SKIN, LIPS));
  }

  @Test
  public void aMaskWithoutAStartIsRefused() {
    assertThatThrownBy(() -> new MaskParts(List.of(new Part(Join.PLUS, LIPS, true))))
        .isInstanceOf(IllegalArgumentException.class);
  }

  private static Layer masked(String name, Mask mask) {
    return LayerType.CURVE.fresh().with(LayerAttributes.of(name, Stage.GRADE, mask));
  }

  @Test
  public void aLinkedMaskFollowsTheOtherLayer() {
    Layer first = masked("first", SKIN);
    Layer second = masked("second", new Minus(new LinkedMask(first.attributes().id()), LIPS));
    LayerStack stack = LayerStack.of(first, second);
    assertThat(stack.acting().layers().get(1).attributes().mask()).isEqualTo(new Minus(SKIN, LIPS));
    LayerStack edited =
        stack.edit(first.attributes().id(), l -> l.with(l.attributes().withMask(LIGHT)));
    assertThat(edited.acting().layers().get(1).attributes().mask())
        .isEqualTo(new Minus(LIGHT, LIPS));
  }

  @Test
  public void linksInACircleAndToNoLayerCoverNothing() {
    Layer first = masked("first", SKIN);
    Layer second = masked("second", new LinkedMask(first.attributes().id()));
    Layer turned =
        first.with(first.attributes().withMask(new LinkedMask(second.attributes().id())));
    assertThat(LayerStack.of(turned, second).acting().layers().getFirst().attributes().mask())
        .isEqualTo(new Nothing());
    assertThat(
            LayerStack.of(masked("lost", new LinkedMask("gone")))
                .acting()
                .layers()
                .getFirst()
                .attributes()
                .mask())
        .isEqualTo(new Nothing());
  }

  @Test
  public void takingALayerAwayLeavesItsMaskWhereItWasLinked() {
    Layer first = masked("first", SKIN);
    Layer second = masked("second", new LinkedMask(first.attributes().id()));
    LayerStack left = LayerStack.of(first, second).without(first.attributes().id());
    assertThat(left.layers().getFirst().attributes().mask()).isEqualTo(SKIN);
  }
}
