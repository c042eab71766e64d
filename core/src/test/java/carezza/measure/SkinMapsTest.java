package carezza.measure;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Plane;
import carezza.testing.Pictures;

/** How far the redness about a spot goes, on made-up skin. */
public class SkinMapsTest {

  private static final Area AREA = new Area(0, 0, 200, 200);
  private static final int MIDDLE = 100;
  private static final double SIGMA = 15;

  /** A value for a place. */
  @FunctionalInterface
  private interface Map {
    double at(double x, double y);
  }

  private static double spot(double x, double y) {
    double d = Math.hypot(x - MIDDLE, y - MIDDLE) / SIGMA;
    return 0.5 * Math.exp(-d * d / 2);
  }

  private static double halo(Map redness, Map red) {
    Plane plain = Plane.of(AREA);
    Plane skin = Plane.filled(AREA, 1);
    SkinMaps maps =
        new SkinMaps(
            Pictures.plane(AREA, redness::at),
            Pictures.plane(AREA, red::at),
            plain,
            plain,
            plain,
            skin,
            skin,
            400);
    return maps.halo(MIDDLE, MIDDLE, SIGMA);
  }

  @Test
  public void itGoesToWhereHardlyAnythingIsLeft() {
    double radius = halo(SkinMapsTest::spot, (x, y) -> 0.3);
    assertThat(spot(MIDDLE + radius, MIDDLE)).isLessThan(0.1 * spot(MIDDLE, MIDDLE));
    assertThat(radius).isBetween(2 * SIGMA, 2.6 * SIGMA);
  }

  @Test
  public void aCheekThatIsRedAllOverIsNoHalo() {
    double alone = halo(SkinMapsTest::spot, (x, y) -> 0.3);
    double cheek = halo((x, y) -> Math.max(spot(x, y), 0.12 + 1e-4 * (200 - y)), (x, y) -> 0.3);
    assertThat(cheek).isLessThan(alone).isGreaterThanOrEqualTo(SIGMA);
  }

  @Test
  public void shadingThatFallsAcrossItDoesNotStopIt() {
    double alone = halo(SkinMapsTest::spot, (x, y) -> 0.3);
    assertThat(halo(SkinMapsTest::spot, (x, y) -> 0.3 + 0.01 * x)).isEqualTo(alone);
  }

  @Test
  public void aMarkOfThePersonsOwnStopsIt() {
    double radius =
        halo(
            SkinMapsTest::spot,
            (x, y) -> Math.hypot(x - MIDDLE - 1.8 * SIGMA, y - MIDDLE) < 4 ? 0.8 : 0.3);
    assertThat(radius).isLessThan(1.8 * SIGMA - 4).isGreaterThanOrEqualTo(SIGMA);
  }

  @Test
  public void itIsNoSmallerThanTheSpotItself() {
    assertThat(halo((x, y) -> 0.1, (x, y) -> 0.3)).isEqualTo(SIGMA);
  }
}
