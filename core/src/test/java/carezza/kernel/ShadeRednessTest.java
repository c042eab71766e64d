package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.function.DoubleBinaryOperator;

import org.testng.annotations.Test;

import carezza.colour.Pigments;
import carezza.colour.WorkingSpace;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.Mask;
import carezza.model.SkinToneEveningLayer;
import carezza.testing.Pictures;

/** Redness that shade explains is no excess; skin here is painted from its own pigments. */
public class ShadeRednessTest {

  private static final PictureSize SIZE = new PictureSize(240, 160);
  private static final Area ALL = SIZE.area();
  private static final EvaluationContext SITE = new EvaluationContext(SIZE, 0, Regions.none());
  private static final double MELANIN = 0.5;

  /** Densities of light and shade that grow from left to right. */
  private static double shade(double x) {
    return 0.2 + 0.9 * x / ALL.width();
  }

  private static Picture skin(DoubleBinaryOperator redness) {
    Plane[] light = new Plane[3];
    for (int c = 0; c < 3; c++) {
      double brown = MELANIN * Pigments.MELANIN[c];
      double red = Pigments.HAEMOGLOBIN[c];
      light[c] =
          Pictures.plane(
              ALL, (x, y) -> Math.exp(-(shade(x) + brown + red * redness.applyAsDouble(x, y))));
    }
    return WorkingSpace.fromLinearSrgb(new Picture(light[0], light[1], light[2]));
  }

  private static Picture evened(Picture input) {
    SkinToneEveningLayer layer =
        new SkinToneEveningLayer(
            LayerType.SKIN_TONE_EVENING.fresh().attributes().withMask(new Mask.Everything()),
            1,
            0,
            null,
            0,
            0,
            0,
            null,
            false);
    Probe probe = new Probe(SITE, input, (area, level) -> input.crop(area));
    Measurements read = Kernels.measure(layer, probe);
    return Kernels.effect(layer, read, SITE).render(input, ALL);
  }

  private static float redness(Picture picture, int x, int y) {
    return Pigments.of(picture).haemoglobin().at(x, y);
  }

  @Test
  public void theShadeOfPaintedSkinComesBack() {
    Plane found = Pigments.of(skin((x, y) -> 0.3)).shade();
    for (int x = 0; x < ALL.width(); x += 20) {
      assertThat(found.at(x, 80)).isCloseTo((float) shade(x), within(2e-3f));
    }
  }

  @Test
  public void whatGrowsWithShadeStays() {
    Picture input = skin((x, y) -> 0.25 + 0.15 * shade(x));
    assertThat(Pictures.largest(evened(input), input)).isLessThan(0.004);
  }

  @Test
  public void aPatchInTheLightAndOneInTheShadeLoseAlike() {
    Picture input =
        skin(
            (x, y) -> {
              boolean patch = Math.hypot(x - 50, y - 80) < 18 || Math.hypot(x - 190, y - 80) < 18;
              return 0.25 + 0.15 * shade(x) + (patch ? 0.2 : 0);
            });
    Picture out = evened(input);
    double light = redness(input, 50, 80) - redness(out, 50, 80);
    double dark = redness(input, 190, 80) - redness(out, 190, 80);
    assertThat(light).isBetween(0.07, 0.22);
    assertThat(dark).isCloseTo(light, within(0.02));
  }

  @Test
  public void whatGrowsWithLightIsExcess() {
    Picture input = skin((x, y) -> 0.45 - 0.15 * shade(x));
    assertThat(redness(input, 10, 80) - redness(evened(input), 10, 80)).isGreaterThan(0.02f);
    assertThat(redness(input, 230, 80) - redness(evened(input), 230, 80)).isLessThan(0.005f);
  }
}
