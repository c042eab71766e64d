package carezza.mask;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import java.util.ArrayList;
import java.util.List;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.model.Point;

public class BoundaryRefinerTest {

  private static final BoundaryRefiner.Search SEARCH =
      new BoundaryRefiner.Search(-10, 10, 0.01, 0.02, 1e-6);

  /**
   * An almond around the origin, turned: its upper edge bows by {@code up}, its lower by {@code
   * down}.
   */
  private static List<Point> almond(double up, double down, double degrees) {
    List<Point> points = new ArrayList<>();
    double a = Math.toRadians(degrees);
    for (int i = 0; i < 24; i++) {
      double t = i < 12 ? i / 6.0 - 1 : 1 - (i - 12) / 6.0;
      double x = 50 * t;
      double y = (1 - t * t) * (i < 12 ? -up : down);
      points.add(new Point(x * Math.cos(a) - y * Math.sin(a), x * Math.sin(a) + y * Math.cos(a)));
    }
    return points;
  }

  @DataProvider
  public Object[][] angles() {
    return new Object[][] {{0}, {35}, {170}};
  }

  /**
   * What is inside the true almond scores; the bow that was drawn too flat, or too high, is put
   * right.
   */
  @Test(dataProvider = "angles")
  public void bothEdgesMoveToWhereTheStepIs(double degrees) {
    List<Point> truth = almond(20, 14, degrees);
    BoundaryRefiner edges = new BoundaryRefiner(almond(14, 18, degrees), 2);
    BoundaryRefiner.Score score = (inside, outside) -> count(inside, truth) - count(outside, truth);
    edges.fit(0, SEARCH, score);
    edges.fit(1, SEARCH, score);
    assertThat(edges.outline().get(6).distance(truth.get(6))).isLessThan(2.1);
    assertThat(edges.outline().get(18).distance(truth.get(18))).isLessThan(2.1);
    assertThat(edges.outline().get(0)).isEqualTo(almond(14, 18, degrees).get(0));
  }

  private static double count(List<Point> points, List<Point> outline) {
    double in = 0;
    for (Point p : points) {
      boolean inside = false;
      for (int i = 0; i < outline.size(); i++) {
        Point a = outline.get(i);
        Point b = outline.get((i + 1) % outline.size());
        if (a.y() > p.y() != b.y() > p.y()
            && p.x() < a.x() + (b.x() - a.x()) * (p.y() - a.y()) / (b.y() - a.y())) {
          inside = !inside;
        }
      }
      in += inside ? 1 : 0;
    }
    return in;
  }

  @Test
  public void widenedCornersMoveOutwardsAlongTheirLine() {
    BoundaryRefiner edges = new BoundaryRefiner(almond(20, 14, 0), 2);
    edges.widen(0.05);
    assertThat(edges.outline().get(0).x()).isCloseTo(-55, offset(1e-9));
    assertThat(edges.outline().get(12).x()).isCloseTo(55, offset(1e-9));
  }

  @Test
  public void withoutAStepNothingMoves() {
    List<Point> drawn = almond(20, 14, 10);
    BoundaryRefiner edges = new BoundaryRefiner(drawn, 4);
    edges.fit(0, SEARCH, (inside, outside) -> 0);
    assertThat(edges.outline()).isEqualTo(drawn);
  }
}
