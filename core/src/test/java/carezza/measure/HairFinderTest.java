package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.model.Point;
import carezza.model.Stroke;

public class HairFinderTest {

  /** A sine on noise with a slope of light. */
  private static Picture hair(double depth) {
    Random random = new Random(5);
    Picture picture = Picture.of(new Area(0, 0, 300, 120));
    for (int y = 0; y < 120; y++) {
      for (int x = 0; x < 300; x++) {
        double away = Math.abs(y + 0.5 - path(x + 0.5));
        double v =
            0.5 + 0.0008 * x + 0.02 * random.nextGaussian() - depth * Math.exp(-away * away / 2);
        for (int c = 0; c < 3; c++) {
          picture.plane(c).values()[picture.plane(c).index(x, y)] = (float) v;
        }
      }
    }
    return picture;
  }

  private static double path(double x) {
    return 60 + 9 * Math.sin(x / 40);
  }

  private static final Stroke DRAWN =
      Stroke.path(List.of(new Point(20, 60), new Point(280, 60)), 14, 0.5, 1, false);

  @DataProvider
  public Object[][] hairs() {
    return new Object[][] {{0.18}, {-0.18}};
  }

  /** A straight stroke of a hand finds the curved hair, dark or light, to about a pixel. */
  @Test(dataProvider = "hairs")
  public void theHairIsFoundInsideTheStroke(double depth) {
    Stroke found = HairFinder.along(DRAWN, hair(depth)).orElseThrow();
    double sum = 0;
    for (int i = 0; i < found.size(); i++) {
      sum += Math.abs(found.y(i) - path(found.x(i)));
    }
    assertThat(sum / found.size()).isLessThan(1);
    assertThat(found.radius()).isBetween(2.0, 4.5);
    assertThat(found.x(0)).isBetween(18f, 22f);
    assertThat(found.x(found.size() - 1)).isBetween(276f, 282f);
  }

  @Test
  public void plainSkinHasNoHair() {
    assertThat(HairFinder.along(DRAWN, hair(0))).isEqualTo(Optional.empty());
  }

  @Test
  public void aDabIsNoHair() {
    assertThat(HairFinder.along(Stroke.dab(50, 60, 14, 0.5), hair(0.2))).isEmpty();
  }
}
