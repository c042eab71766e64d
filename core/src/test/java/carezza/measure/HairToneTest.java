package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;

import org.testng.annotations.Test;

import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.kernel.Kernels;
import carezza.kernel.LayerType;
import carezza.kernel.Measurements;
import carezza.mask.EvaluationContext;
import carezza.mask.Regions;
import carezza.model.PaintLayer;
import carezza.model.Stroke;
import carezza.testing.Pictures;

public class HairToneTest {

  /** A hair that was drawn with known differences is read as it was drawn. */
  @Test
  public void aDrawnHairIsReadAsItIs() {
    PictureSize size = new PictureSize(49, 49);
    Picture skin = Pictures.skin(size.area(), 5);
    PaintLayer fresh = (PaintLayer) LayerType.PAINT.fresh();
    Stroke hair = new Stroke(new float[] {4, 20, 1, 0, 45, 28, 1, 1}, 1.6, 0, 1, false);
    PaintLayer layer = fresh.adding(-28, 3, -6).plus(hair);
    EvaluationContext site = new EvaluationContext(size, 0, Regions.none());
    Picture drawn = Kernels.effect(layer, new Measurements.None(), site).render(skin, size.area());

    HairTone tone = HairTone.of(drawn, 25, 24);
    // The few that stand out most do so by their noise, too.
    assertThat(tone.lightness()).isCloseTo(-28, within(4.0));
    assertThat(tone.redness()).isCloseTo(3, within(3.0));
    assertThat(tone.yellowness()).isCloseTo(-6, within(4.0));
  }

  /** What lies above carries it: the difference is the same on dark skin and on light. */
  @Test
  public void theDifferenceIsOfWhatLiesBelow() {
    Area area = new Area(0, 0, 40, 40);
    EvaluationContext site = new EvaluationContext(new PictureSize(40, 40), 0, Regions.none());
    PaintLayer layer =
        ((PaintLayer) LayerType.PAINT.fresh())
            .adding(-10, 2, 1)
            .plus(new Stroke(new float[] {5, 20, 1, 0, 35, 20, 1, 1}, 4, 0, 1, false));
    for (List<Double> rgb : List.of(List.of(0.35, 0.25, 0.2), List.of(0.8, 0.65, 0.55))) {
      Picture skin = Pictures.colour(area, rgb.get(0), rgb.get(1), rgb.get(2));
      Picture lab = Lab.of(Kernels.effect(layer, new Measurements.None(), site).render(skin, area));
      assertThat((double) lab.first().at(20, 20) - lab.first().at(20, 5))
          .isCloseTo(-10, within(0.1));
      assertThat((double) lab.second().at(20, 20) - lab.second().at(20, 5))
          .isCloseTo(2, within(0.1));
    }
  }
}
