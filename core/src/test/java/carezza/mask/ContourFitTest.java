package carezza.mask;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

import org.assertj.core.data.Offset;
import org.testng.annotations.Test;

import carezza.model.Point;

public class ContourFitTest {

  private static final int EDGE = 16;
  private static final int STEPS = 41;

  /** A lens 100 wide and 40 high, lower edge first. */
  private static List<Point> lens() {
    List<Point> out = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      double angle = Math.PI * 2 * i / 20;
      out.add(new Point(100 - 50 * Math.cos(angle), 100 + 20 * Math.sin(angle)));
    }
    return out;
  }

  private static double offset(double step) {
    return (step - 20) * 0.01;
  }

  @Test
  public void raysLeadOutwards() {
    ContourFit rays = new ContourFit(lens(), EDGE);
    for (int r = 0; r < rays.rays(); r++) {
      assertThat(rays.at(r, 0.1).distance(new Point(100, 100)))
          .isGreaterThan(rays.at(r, -0.1).distance(new Point(100, 100)));
      assertThat(rays.at(r, 0.1).distance(rays.at(r, 0))).isCloseTo(10, Offset.offset(1e-9));
    }
    assertThat(rays.at(0, 0).x()).isCloseTo(50, Offset.offset(1e-9));
    assertThat(rays.at(EDGE, 0).x()).isCloseTo(150, Offset.offset(1e-9));
  }

  @Test
  public void anOutlineFoundEverywhereIsTaken() {
    ContourFit rays = new ContourFit(lens(), EDGE);
    int[] wanted = new int[2 * EDGE];
    for (int r = 0; r < wanted.length; r++) {
      wanted[r] = 24 + (int) Math.round(3 * Math.sin(Math.PI * 2 * r / wanted.length));
    }
    int[] found = rays.least(STEPS, (r, k) -> Math.abs(k - wanted[r]), 0.01);
    assertThat(found).containsExactly(wanted);
  }

  /** Rays that say something else than all their neighbours are outvoted, at the start too. */
  @Test
  public void singleRaysDoNotBendTheOutline() {
    ContourFit rays = new ContourFit(lens(), EDGE);
    for (int odd : new int[] {0, 5, EDGE, 2 * EDGE - 1}) {
      int[] found =
          rays.least(STEPS, (r, k) -> Math.min(4, Math.abs(k - (r == odd ? 5 : 25))), 0.5);
      assertThat(found).containsOnly(25);
    }
  }

  @Test
  public void theWayIsClosed() {
    ContourFit rays = new ContourFit(lens(), EDGE);
    int[] found = rays.least(STEPS, (r, k) -> Math.abs(k - (r < EDGE ? 10 : 30)), 0.4);
    for (int r = 0; r < found.length; r++) {
      int next = found[(r + 1) % found.length];
      assertThat(Math.abs(next - found[r])).as("from ray %d to the next", r).isLessThan(8);
    }
  }

  @Test
  public void noStepIsTheOutlineItself() {
    ContourFit rays = new ContourFit(lens(), EDGE);
    int[] none = new int[2 * EDGE];
    Arrays.fill(none, 20);
    List<Point> same = rays.smooth(none, ContourFitTest::offset);
    for (Point p : same) {
      double on = Math.pow((p.x() - 100) / 50, 2) + Math.pow((p.y() - 100) / 20, 2);
      assertThat(on).isCloseTo(1, Offset.offset(0.02));
    }
  }
}
