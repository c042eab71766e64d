package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.mask.Regions;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.model.Mask;
import carezza.model.OverlayLayer;
import carezza.model.SemanticRegion;

public class FaceNeedsTest {

  private static final Area ALL = new Area(0, 0, 20, 10);

  private static Layer curve(Mask mask) {
    Layer fresh = LayerType.CURVE.fresh();
    return fresh.with(fresh.attributes().withMask(mask));
  }

  private static Mask region(SemanticRegion region) {
    return new Mask.RegionMask(region);
  }

  @Test
  public void partsOfTheFaceNeedAFace() {
    assertThat(FaceNeeds.needsFace(LayerType.TEETH.fresh())).isTrue();
    assertThat(FaceNeeds.needsFace(LayerType.IRIS.fresh())).isTrue();
    assertThat(FaceNeeds.needsFace(curve(region(SemanticRegion.LIPS)))).isTrue();
  }

  @Test
  public void theWholePictureDoesNot() {
    assertThat(FaceNeeds.needsFace(LayerType.EXPOSURE.fresh())).isFalse();
    assertThat(FaceNeeds.needsFace(curve(new Mask.Everything()))).isFalse();
  }

  /** What lies behind a person is known where the person is. */
  @Test
  public void theBackdropDoes() {
    assertThat(Regions.none().coverage(SemanticRegion.BACKDROP, ALL, 0).covered().isEmpty())
        .isTrue();
    assertThat(FaceNeeds.needsFace(curve(region(SemanticRegion.BACKDROP)))).isTrue();
    assertThat(FaceNeeds.needsFace(LayerType.BACKDROP.fresh())).isTrue();
    OverlayLayer overlay = (OverlayLayer) LayerType.OVERLAY.fresh();
    assertThat(FaceNeeds.needsFace(overlay)).isFalse();
    assertThat(FaceNeeds.needsFace(overlay.withBehind(true))).isTrue();
  }

  @Test
  public void aMaskNeedsAFaceWhereNothingIsLeftOfItWithoutOne() {
    Mask skin = region(SemanticRegion.SKIN);
    Mask oval = new Mask.Ellipse(10, 10, 5, 5, 0, 0);

    assertThat(FaceNeeds.needsFace(curve(new Mask.And(oval, skin)))).isTrue();
    assertThat(FaceNeeds.needsFace(curve(new Mask.Or(oval, skin)))).isFalse();
    assertThat(FaceNeeds.needsFace(curve(new Mask.Or(skin, region(SemanticRegion.HAIR))))).isTrue();
    assertThat(FaceNeeds.needsFace(curve(new Mask.Minus(oval, skin)))).isFalse();
    assertThat(FaceNeeds.needsFace(curve(new Mask.Feather(skin, 3)))).isTrue();
    assertThat(FaceNeeds.needsFace(curve(new Mask.Invert(skin)))).isFalse();
  }

  @Test
  public void aLayerThatIsOffIsNotIdle() {
    Layer teeth = LayerType.TEETH.fresh();
    Layer off = teeth.with(teeth.attributes().withId("off").switched(false));

    assertThat(FaceNeeds.idleWithoutFace(LayerStack.of(teeth, off))).containsExactly(teeth);
  }
}
