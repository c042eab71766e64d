package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.filter.GaussianBlur;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.mask.Regions;
import carezza.measure.StrayHairs.Hair;
import carezza.model.FaceMap;
import carezza.model.Point;
import carezza.testing.Portrait;

/** Lines that are drawn here, and hairs that were painted into portraits. */
public class StrayHairsTest {

  private static final Area AREA = new Area(0, 0, 300, 300);
  private static final double FACE = 600;

  private interface Shade {
    double at(double x, double y);
  }

  /** Grey with the texture of skin and a shade on it. */
  private static Picture skin(Shade shade) {
    Random random = new Random(5);
    Plane noise = Plane.of(AREA);
    for (int i = 0; i < noise.values().length; i++) {
      noise.values()[i] = (float) (0.03 * random.nextGaussian());
    }
    Plane grey = GaussianBlur.blur(noise, 1);
    for (int y = 0; y < 300; y++) {
      for (int x = 0; x < 300; x++) {
        grey.values()[grey.index(x, y)] += (float) (0.6 + shade.at(x, y));
      }
    }
    return new Picture(grey, grey.copy(), grey.copy());
  }

  private static List<Hair> found(Shade shade) {
    return StrayHairs.find(skin(shade), Plane.filled(AREA, 1), FACE);
  }

  /** How far off an arc about the upper left corner. */
  private static double offArc(double x, double y) {
    return Math.hypot(x, y) - 200;
  }

  @Test
  public void aThinDarkArcIsFoundWhereItIs() {
    List<Hair> hairs = found((x, y) -> Math.abs(offArc(x, y)) < 1 ? -0.12 : 0);

    assertThat(hairs).hasSize(1);
    Hair hair = hairs.getFirst();
    assertThat(hair.contrast()).isLessThan(-6);
    assertThat(hair.length()).isCloseTo(200 * Math.PI / 2, within(45.0));
    assertThat(hair.path()).allMatch(p -> Math.abs(offArc(p.x() - 0.5, p.y() - 0.5)) < 1.5);
  }

  @Test
  public void aThinLightLineIsFoundToo() {
    List<Hair> hairs = found((x, y) -> Math.abs(y - 0.3 * x - 80) < 1 ? 0.12 : 0);

    assertThat(hairs).hasSize(1);
    assertThat(hairs.getFirst().contrast()).isGreaterThan(6);
  }

  @DataProvider
  public Object[][] others() {
    Shade edge = (x, y) -> x < 150 ? -0.15 : 0;
    Shade fold = (x, y) -> -0.15 * Math.exp(-Math.pow((x - 150) / 4, 2));
    Shade shortLine = (x, y) -> Math.abs(x - 150) < 1 && Math.abs(y - 150) < 18 ? -0.12 : 0;
    Shade faint = (x, y) -> Math.abs(x - 150) < 1 ? -0.015 : 0;
    Shade nothing = (x, y) -> 0;
    return new Object[][] {{edge}, {fold}, {shortLine}, {faint}, {nothing}};
  }

  @Test(dataProvider = "others")
  public void edgesFoldsAndWhatIsShortOrFaintAreNoHairs(Object shade) {
    assertThat(found((Shade) shade)).isEmpty();
  }

  /** Lines of glossy skin: as strong as a hair, but everywhere. */
  @Test
  public void aTextureOfLinesHasNoHairs() {
    assertThat(found((x, y) -> 0.06 * Math.sin(0.9 * y + 2 * Math.sin(x / 17)) * Math.sin(x / 23)))
        .isEmpty();
  }

  @Test
  public void nothingIsLookedForOutside() {
    Picture picture = skin((x, y) -> Math.abs(x - 150) < 1 ? -0.12 : 0);

    assertThat(StrayHairs.find(picture, Plane.of(AREA), FACE)).isEmpty();
  }

  @Test
  public void aHairThatWasHealedIsLeftNoMore() {
    FaceMap face =
        new FaceMap(
            new FaceMap.FaceOval(150, 150, 300, 300, 0),
            new Point(100, 150),
            new Point(200, 150),
            new Point(100, 220),
            new Point(200, 220));
    Shade hair = (x, y) -> Math.abs(offArc(x, y)) < 1 ? -0.12 : 0;
    List<Hair> hairs = found(hair);

    assertThat(StrayHairs.level(face)).isZero();
    assertThat(StrayHairs.left(hairs, skin(hair), face)).isEqualTo(hairs);
    assertThat(StrayHairs.left(hairs, skin((x, y) -> 0), face)).isEmpty();
    assertThat(StrayHairs.left(hairs, skin((x, y) -> hair.at(x, y) / 4), face)).isEmpty();
  }

  @DataProvider
  public Object[] portraits() {
    return Portrait.values();
  }

  /** Where three or more were painted most are found; and what is found was painted. */
  @Test(dataProvider = "portraits")
  public void hairsOverFacesAreFoundAndWrinklesAreNot(Portrait portrait) {
    Picture photo = portrait.picture("photo.jpg");
    Regions regions = portrait.found();
    FaceMap map = regions.faces().orElseThrow();
    assertThat(StrayHairs.level(map)).isZero();
    Area about =
        StrayHairs.around(map, new PictureSize(photo.area().width(), photo.area().height()));
    List<Hair> found = StrayHairs.find(photo.crop(about), regions);

    List<List<Point>> painted = portrait.hairs();
    long right = found.stream().filter(h -> painted.stream().anyMatch(p -> lies(h, p))).count();
    long hit = painted.stream().filter(p -> found.stream().anyMatch(h -> lies(h, p))).count();
    assertThat(found.size() - right).as("false of " + found.size()).isLessThanOrEqualTo(1);
    if (portrait == Portrait.S01 || portrait == Portrait.S04) {
      assertThat(hit).isGreaterThanOrEqualTo(painted.size() - 1L);
    }
  }

  /** Whether most of a hair lies along a path. */
  private static boolean lies(Hair hair, List<Point> path) {
    long on = hair.path().stream().filter(p -> distance(p, path) < 5).count();
    return 2 * on > hair.path().size();
  }

  private static double distance(Point p, List<Point> path) {
    double least = Double.MAX_VALUE;
    for (int i = 1; i < path.size(); i++) {
      for (double t = 0; t <= 1; t += 0.05) {
        Point a = path.get(i - 1);
        Point b = path.get(i);
        Point q = new Point(a.x() + t * (b.x() - a.x()), a.y() + t * (b.y() - a.y()));
        least = Math.min(least, p.distance(q));
      }
    }
    return least;
  }
}
