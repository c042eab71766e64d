package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;

import carezza.colour.Transfer;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.Point;
import carezza.model.VignetteLayer;
import carezza.testing.Pictures;

public class VignetteTest {

  private static final Area ALL = new Area(0, 0, 200, 160);

  private static Picture render(VignetteLayer layer, Picture input) {
    Area whole = input.area();
    EvaluationContext site =
        new EvaluationContext(new PictureSize(whole.width(), whole.height()), 0, Regions.none());
    return new VignetteKernel().effect(layer, new Measurements.None(), site).render(input, whole);
  }

  @Test
  public void theVignetteFallsByItsStopsAtTheFarEnd() {
    VignetteLayer layer =
        new VignetteLayer(
            LayerType.VIGNETTE.fresh().attributes(), -2, 0, 0.5, 1, null, VignetteLayer.Law.RING);
    Picture out = render(layer, Pictures.grey(ALL, 0.5));
    assertThat((double) Transfer.toLinear(out.first().at(0, 0)))
        .isCloseTo(Transfer.toLinear(0.5f) / 4, within(1e-5));
    assertThat((double) out.first().at(100, 80)).isCloseTo(0.5, within(1e-3));
  }

  @Test
  public void theLightOfALampFallsByTheInverseSquareOfItsWay() {
    Area whole = new Area(0, 0, 400, 300);
    // A half diagonal is 250; at the place the lamp is 100 away.
    double h = 0.4;
    double stops = -Math.log1p(1 / (h * h)) / Math.log(2);
    VignetteLayer lamp =
        new VignetteLayer(
            LayerType.VIGNETTE.fresh().attributes(),
            stops,
            h,
            0.5,
            1,
            new Point(40.5, 60.5),
            VignetteLayer.Law.LAMP);
    Picture out = render(lamp, Pictures.grey(whole, 0.5));
    double full = Transfer.toLinear(0.5f);
    for (int[] at : new int[][] {{40, 60}, {140, 60}, {40, 260}, {340, 210}}) {
      double way = Math.hypot(at[0] - 40, at[1] - 60);
      assertThat((double) Transfer.toLinear(out.first().at(at[0], at[1])))
          .isCloseTo(full * 100 * 100 / (100 * 100 + way * way), within(1e-3 * full));
    }
  }

  @Test
  public void aVignetteIsBroaderThanHighWhereItIsAskedToBe() {
    Area whole = new Area(0, 0, 400, 300);
    VignetteLayer oval =
        new VignetteLayer(
            LayerType.VIGNETTE.fresh().attributes(),
            -1,
            0,
            1,
            4,
            new Point(200.5, 150.5),
            VignetteLayer.Law.RING);
    Picture out = render(oval, Pictures.grey(whole, 0.5));
    assertThat(out.first().at(200 + 120, 150))
        .isCloseTo(out.first().at(200, 150 + 30), within(1e-4f));
    assertThat(out.first().at(200 + 120, 150)).isLessThan(0.5f);
  }
}
