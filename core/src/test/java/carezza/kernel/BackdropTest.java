package carezza.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.measure.fault.BackdropReading;
import carezza.model.BackdropLayer;
import carezza.model.Crop;
import carezza.model.SemanticRegion;
import carezza.model.SkinToneEveningLayer.Target;
import carezza.render.Cropper;
import carezza.testing.Pictures;
import carezza.testing.Portrait;

/** A person of one colour before a grainy backdrop that darkens to one side. */
public class BackdropTest {

  private static final PictureSize SIZE = new PictureSize(1600, 2000);
  private static final float[] PERSON = {0.2f, 0.12f, 0.08f};

  private EvaluationContext site;
  private Plane open;
  private Picture input;

  @BeforeClass
  public void made() {
    Regions regions = Portrait.S04.found();
    site = new EvaluationContext(SIZE, 0, regions);
    open = regions.coverage(SemanticRegion.BACKDROP, SIZE.area(), 0);
    Plane grain = Pictures.noise(SIZE.area(), 1, 0.02, 11);
    Picture light = Picture.of(SIZE.area());
    for (int c = 0; c < 3; c++) {
      for (int i = 0; i < open.values().length; i++) {
        float t = open.values()[i];
        float backdrop = (0.75f - 0.15f * (i % 1600) / 1600 - 0.02f * c) * grain.values()[i];
        light.plane(c).values()[i] = (1 - t) * PERSON[c] + t * backdrop;
      }
    }
    input = Transfer.toEncoded(light);
  }

  private static BackdropLayer layer(Target colour, double texture) {
    return new BackdropLayer(LayerType.BACKDROP.fresh().attributes(), colour, texture);
  }

  private Picture rendered(BackdropLayer layer) {
    Probe probe = new Probe(site, input, (area, level) -> input.crop(area));
    return Kernels.effect(layer, Kernels.measure(layer, probe), site).render(input, input.area());
  }

  private double share(Picture picture, Lab wanted) {
    return BackdropReading.of(site, picture, Lab.of(picture), wanted).pure();
  }

  @Test
  public void theBorderBecomesWhiteByNoMoreThanItTakes() {
    Lab white = new Lab(100, 0, 0);
    assertThat(share(input, white)).isZero();
    for (double texture : new double[] {0, 0.5, 1}) {
      Picture result = rendered(layer(null, texture));
      assertThat(share(result, white)).as("texture %s", texture).isGreaterThan(99.5);
      // The mean stands above white by what the darkest of the grain lies under it, no further.
      double mean = 0;
      for (int x = 0; x < 400; x++) {
        mean += Transfer.toLinear(result.second().at(x, 2)) / 400;
      }
      assertThat(mean).isBetween(0.999, 1.001 + 0.1 * texture);
    }
  }

  @Test
  public void thePersonStaysAndTheirEdgeIsAsBeforeTheNewBackdrop() {
    Picture result = rendered(layer(null, 0));
    double most = 0;
    for (int y = 100; y < 1100; y += 3) {
      for (int x = 200; x < 1400; x += 3) {
        float t = open.at(x, y);
        for (int c = 0; c < 3; c++) {
          double is = result.plane(c).at(x, y);
          if (t == 0) {
            assertThat(is).isEqualTo(input.plane(c).at(x, y));
          }
          double right = Transfer.toEncoded((1 - t) * PERSON[c] + t);
          most = Math.max(most, Math.abs(is - right));
        }
      }
    }
    assertThat(most).isLessThan(0.06);
  }

  @Test
  public void aColourIsReachedToo() {
    Target blue = new Target(55, 22, 250);
    BackdropLayer layer = layer(blue, 0.2);
    assertThat(share(input, layer.wanted())).isZero();
    assertThat(share(rendered(layer), layer.wanted())).isGreaterThan(99);
  }

  @Test
  public void aWiderCanvasGoesOnAtThatWhiteBesideThePersonToo() {
    Picture result = rendered(layer(null, 0.5));
    Picture wide = Cropper.cut(result, Crop.of(SIZE).grown(0.1), 1, open);
    for (int[] at : new int[][] {{4, 4}, {80, 500}, {1900, 600}, {300, 20}}) {
      assertThat(open.at(Math.clamp(at[0] - 160, 0, 1599), Math.clamp(at[1] - 200, 0, 1999)))
          .isEqualTo(1);
      for (int c = 0; c < 3; c++) {
        assertThat((double) wide.plane(c).at(at[0], at[1])).isGreaterThanOrEqualTo(254.5 / 255);
      }
    }
    // Under the shoulders the person goes on.
    assertThat((double) wide.first().at(960, 2350)).isLessThan(0.8);
    assertThat((double) wide.first().at(160 + 800, 200 + 1000))
        .isCloseTo(result.first().at(800, 1000), within(1e-6));
  }
}
