package carezza.line;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Plane;
import carezza.model.Point;

/**
 * Lines drawn on planes: found where they are, followed to their ends, judged by what they are
 * across.
 */
public class LinesTest {

  private static final int SIDE = 160;

  /** Between two pixels, nearer to one: of two alike neither is a ridge for sure. */
  private static final double MIDDLE = SIDE / 2 + 0.2;

  private static final Area AREA = new Area(0, 0, SIDE, SIDE);

  /** A level plane with a straight line through its middle that falls off to both sides. */
  private static Plane line(double degrees, double half, double height, double sigma) {
    Plane plane = Plane.filled(AREA, 50);
    double c = Math.cos(Math.toRadians(degrees));
    double s = Math.sin(Math.toRadians(degrees));
    for (int y = 0; y < SIDE; y++) {
      for (int x = 0; x < SIDE; x++) {
        double along = (x + 0.5 - MIDDLE) * c + (y + 0.5 - MIDDLE) * s;
        double across = (y + 0.5 - MIDDLE) * c - (x + 0.5 - MIDDLE) * s;
        if (Math.abs(along) <= half) {
          plane.values()[y * SIDE + x] +=
              (float) (height * Math.exp(-across * across / (2 * sigma * sigma)));
        }
      }
    }
    return plane;
  }

  @DataProvider
  public Object[][] directions() {
    return IntStream.of(0, 20, 45, 90, 133)
        .mapToObj(d -> new Object[] {d})
        .toArray(Object[][]::new);
  }

  @Test(dataProvider = "directions")
  public void aLineIsFollowedToItsEndsInAnyDirection(int degrees) {
    Plane dark = line(degrees, 50, -20, 1);
    LineRidges ridges = new LineRidges(dark, 1, Plane.filled(AREA, 1));

    List<RidgeWay> ways = RidgeWay.of(ridges.of(-1), 25);
    assertThat(ways).hasSize(1);
    List<Point> path = ways.getFirst().path();
    double c = Math.cos(Math.toRadians(degrees));
    double s = Math.sin(Math.toRadians(degrees));
    assertThat(path)
        .allSatisfy(
            p -> assertThat((p.y() - MIDDLE) * c - (p.x() - MIDDLE) * s).isCloseTo(0, within(1.5)));
    // A mean along a piece reaches half of it beyond an end.
    assertThat(path.getFirst().distance(path.getLast())).isBetween(88.0, 132.0);
  }

  @Test
  public void aDarkLineIsNoLightOne() {
    LineRidges ridges = new LineRidges(line(30, 60, -20, 1), 1, Plane.filled(AREA, 1));
    Plane light = ridges.of(1);
    Plane dark = ridges.of(-1);
    int middle = SIDE / 2 * SIDE + SIDE / 2;
    assertThat(dark.values()[middle]).isGreaterThan(3);
    assertThat(light.values()[middle]).isZero();
  }

  @Test
  public void nothingIsFoundWhereItIsNotLookedForOrThePlaneIsLevel() {
    LineRidges elsewhere = new LineRidges(line(30, 60, -20, 1), 1, Plane.of(AREA));
    assertThat(RidgeWay.of(elsewhere.of(-1), 1)).isEmpty();
    LineRidges level = new LineRidges(Plane.filled(AREA, 50), 1, Plane.filled(AREA, 1));
    assertThat(RidgeWay.of(level.of(-1), 1)).isEmpty();
    assertThat(RidgeWay.of(level.of(1), 1)).isEmpty();
  }

  @Test
  public void theWayThroughAForkIsItsLongest() {
    Plane fork = Plane.of(new Area(0, 0, 40, 20));
    for (int x = 2; x <= 37; x++) {
      fork.values()[10 * 40 + x] = 1;
    }
    for (int y = 4; y < 10; y++) {
      fork.values()[y * 40 + 20] = 1;
    }
    RidgeWay way = RidgeWay.of(fork, 10).getFirst();
    assertThat(way.places()).hasSize(36);
    assertThat(List.of(way.places().getFirst() % 40, way.places().getLast() % 40))
        .containsExactlyInAnyOrder(2, 37);
    assertThat(RidgeWay.of(fork, 43)).isEmpty();
    assertThat(way.median(fork)).isEqualTo(1);
  }

  @Test
  public void aProfileSaysHeightStepAndWidth() {
    List<Point> along = IntStream.rangeClosed(40, 120).mapToObj(x -> new Point(x, MIDDLE)).toList();
    LineProfile thin = new LineProfile(along, line(0, 80, -20, 0.8), 1);
    // What lies between two pixels is a little flatter.
    assertThat(thin.contrast(-1)).isBetween(16.5, 20.0);
    assertThat(thin.step()).isCloseTo(0, within(0.2));
    assertThat(thin.width(-1)).isLessThan(3);
    LineProfile wide = new LineProfile(along, line(0, 80, -20, 3), 1);
    assertThat(wide.width(-1)).isGreaterThan(6);

    Plane edge = Plane.filled(AREA, 50);
    Arrays.fill(edge.values(), SIDE / 2 * SIDE, SIDE * SIDE, 62);
    assertThat(new LineProfile(along, edge, 1).step()).isCloseTo(12, within(0.5));
    assertThat(new LineProfile(along.subList(0, 2), edge, 1).isEmpty()).isTrue();
  }
}
