package carezza.mask;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.stream.IntStream;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.Point;

/** A painted head: smooth skin inside an oval, strands above it. */
public class HairModelTest {

  private static final Area AREA = new Area(0, 0, 300, 400);
  private static final double[] SKIN = {66, 13, 16};

  private static final FaceFrame FACE =
      new FaceFrame(
          new FaceMap(
              new FaceOval(150, 230, 80, 100, 0),
              new Point(118, 205),
              new Point(182, 205),
              new Point(125, 275),
              new Point(175, 275),
              null),
          0);

  private static boolean skin(int x, int y) {
    return FACE.oval(1).contains(x + 0.5, y + 0.5) || y > 230;
  }

  /**
   * @param strand light and dark of single hairs, in L*
   */
  private static Picture painted(double[] hair, double strand) {
    Picture picture = Picture.of(AREA);
    Random random = new Random(3);
    double[] strands =
        IntStream.range(0, AREA.width()).mapToDouble(x -> random.nextGaussian()).toArray();
    for (int y = 0; y < AREA.height(); y++) {
      for (int x = 0; x < AREA.width(); x++) {
        int i = picture.first().index(x, y);
        boolean skin = skin(x, y);
        for (int c = 0; c < 3; c++) {
          double v = (skin ? SKIN : hair)[c] + random.nextGaussian() * 0.5;
          picture.plane(c).values()[i] = (float) (!skin && c == 0 ? v + strand * strands[x] : v);
        }
      }
    }
    return picture;
  }

  private static HairModel model(Picture lab, float likelyHair) {
    int[] samples =
        IntStream.range(0, AREA.pixels())
            .filter(i -> FACE.oval(0.8).contains(i % 300 + 0.5, i / 300 + 0.5))
            .toArray();
    Plane likely = Plane.of(AREA);
    for (int i = 0; i < likely.values().length; i++) {
      likely.values()[i] = skin(i % 300, i / 300) ? 1 : likelyHair;
    }
    return HairModel.of(
        lab, FACE, Plane.filled(AREA, 1), likely, new SkinModel(lab, samples), samples);
  }

  @DataProvider
  public Object[][] heads() {
    return new Object[][] {
      {"brown hair", new double[] {28, 8, 10}, 3, 0f},
      {"grey hair that looks like skin", new double[] {64, 11, 14}, 6, 0.7f},
      {"white hair", new double[] {80, 1, 4}, 5, 0.3f}
    };
  }

  @Test(dataProvider = "heads")
  public void hairIsToldFromSkin(String what, double[] hair, double strand, float likely) {
    HairModel model = model(painted(hair, strand), likely);
    int hairs = 0;
    int skins = 0;
    for (int x = 90; x < 210; x += 4) {
      hairs += model.likeness(x, 70) > 0.5f ? 1 : 0;
      skins += model.likeness(x, 240) > 0.5f ? 1 : 0;
    }
    assertThat(hairs).as("places of %s", what).isGreaterThan(27);
    assertThat(skins).as("places of skin beside %s", what).isZero();
  }

  @Test
  public void itIsKnownWhetherHairLooksLikeSkin() {
    double[] grey = {64, 11, 14};
    assertThat(model(painted(grey, 6), 0.7f).alike()).isEqualTo(1);
    assertThat(model(painted(new double[] {28, 8, 10}, 3), 0).alike()).isZero();
  }

  @Test
  public void aBareHeadHasNoHair() {
    HairModel model = model(painted(SKIN, 0), 1);
    for (int y = 0; y < AREA.height(); y += 10) {
      for (int x = 0; x < AREA.width(); x += 10) {
        assertThat(model.likeness(x, y)).isZero();
      }
    }
  }
}
