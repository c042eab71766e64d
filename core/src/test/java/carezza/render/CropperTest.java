package carezza.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.function.DoubleBinaryOperator;

import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.model.Crop;
import carezza.model.Point;
import carezza.testing.Pictures;

/** Frames cut out of pictures whose values are known everywhere. */
public class CropperTest {

  private static final Area AREA = new Area(0, 0, 120, 80);

  private static Picture picture(DoubleBinaryOperator value) {
    Plane plane = Pictures.plane(AREA, value);
    return new Picture(plane, plane.copy(), plane.copy());
  }

  @Test
  public void aFrameOfWholePixelsIsThatPart() {
    Picture all = picture((x, y) -> x + 1000 * y);
    Picture cut = Cropper.cut(all, new Crop(50, 40, 20, 30, 0), 1, null);
    assertThat(cut.area()).isEqualTo(new Area(0, 0, 20, 30));
    assertThat(cut.first().at(0, 0)).isEqualTo(all.first().at(40, 25));
    assertThat(cut.first().at(19, 29)).isEqualTo(all.first().at(59, 54));
  }

  /** Cubic interpolation is exact on a plane, whatever the angle. */
  @Test
  public void aTurnedFrameReadsASlopeWhereItLies() {
    Picture slope = picture((x, y) -> 0.3 * x - 0.2 * y);
    Crop crop = new Crop(61.3, 39.1, 40, 30, 17);
    Picture cut = Cropper.cut(slope, crop, 1, null);
    for (int[] at : new int[][] {{0, 0}, {20, 15}, {39, 29}}) {
      Point p = crop.at((at[0] + 0.5) / 20 - 1, (at[1] + 0.5) / 15 - 1);
      // The test picture's values stand at pixel corners.
      double expected = 0.3 * (p.x() - 0.5) - 0.2 * (p.y() - 0.5);
      assertThat((double) cut.first().at(at[0], at[1])).isCloseTo(expected, within(0.35));
    }
    double step = cut.first().at(20, 15) - cut.first().at(19, 15);
    double t = Math.toRadians(17);
    assertThat(step).isCloseTo(0.3 * Math.cos(t) - 0.2 * Math.sin(t), within(1e-3));
  }

  @Test
  public void aBackdropGoesOnBeyondThePicture() {
    Picture even = picture((x, y) -> 0.42);
    Picture wide = Cropper.cut(even, Crop.of(new PictureSize(120, 80)).grown(0.2), 1, null);
    assertThat(wide.area()).isEqualTo(new Area(0, 0, 168, 112));
    for (float v : wide.first().values()) {
      assertThat((double) v).isCloseTo(0.42, within(1e-4));
    }
  }

  @Test
  public void theGrainGoesOnToo() {
    Plane noise = Pictures.noise(AREA, 0.5, 0.02, 3);
    Picture wide =
        Cropper.cut(
            new Picture(noise, noise, noise),
            Crop.of(new PictureSize(120, 80)).grown(0.1),
            1,
            null);
    double sum = 0;
    int n = 0;
    for (int y = 0; y < wide.area().height(); y++) {
      for (int x = 0; x < 10; x++) {
        sum += Math.pow(wide.first().at(x, y) - 0.5, 2);
        n++;
      }
    }
    assertThat(Math.sqrt(sum / n)).isBetween(0.012, 0.028);
  }

  @Test
  public void aTurnedFrameShrinksUntilItHoldsOnlyThePicture() {
    PictureSize size = new PictureSize(120, 80);
    Crop crop = Crop.of(size).turned(12).within(size);
    for (Point c : crop.corners()) {
      assertThat(c.x()).isBetween(-1e-6, 120 + 1e-6);
      assertThat(c.y()).isBetween(-1e-6, 80 + 1e-6);
    }
    assertThat(crop.width() / crop.height()).isCloseTo(1.5, within(1e-9));
  }
}
