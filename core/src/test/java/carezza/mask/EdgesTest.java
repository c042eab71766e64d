package carezza.mask;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;

import org.testng.annotations.Test;

import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.model.Mask;
import carezza.model.Mask.Nothing;
import carezza.model.Point;
import carezza.model.Stroke;
import carezza.render.Pyramid;
import carezza.testing.Pictures;

/** Strokes that stay inside the edge they started in. */
public class EdgesTest {

  private static final PictureSize SIZE = new PictureSize(600, 400);
  private static final double EDGE = 15;

  /** Light on the left of x = 300, dark on the right of it, with a light island in the dark. */
  private static final Pyramid PHOTOGRAPH = photograph();

  private static Pyramid photograph() {
    Picture noise = Pictures.skin(SIZE.area(), 3);
    return new Pyramid(
        noise.map(
            p ->
                Pictures.plane(
                    SIZE.area(),
                    (x, y) -> {
                      double light = x < 300 || Math.hypot(x - 360, y - 200) < 20 ? 1 : 0.5;
                      // A slow fall of light from top to bottom.
                      return p.at((int) x, (int) y) * light * (1 - 0.0012 * y);
                    })));
  }

  private static EvaluationContext site(int level) {
    return new EvaluationContext(SIZE, level, Regions.none()).with(new Edges(PHOTOGRAPH::level));
  }

  private static Plane render(Mask mask, int level) {
    EvaluationContext context = site(level);
    return Masks.render(mask, context.whole(), context, null);
  }

  private static Mask stroke(double edge, Point... path) {
    return new Nothing().painted(stroke(path, edge));
  }

  private static Stroke stroke(Point[] path, double edge) {
    float[] packed = Stroke.path(List.of(path), 90, 0.3, 1, false).packed();
    return new Stroke(packed, 90, 0.3, 1, false, edge);
  }

  private static double mean(Plane plane, Area area) {
    return Pictures.mean(toDoubles(plane.crop(area).values()));
  }

  private static double[] toDoubles(float[] values) {
    double[] out = new double[values.length];
    for (int i = 0; i < out.length; i++) {
      out[i] = values[i];
    }
    return out;
  }

  @Test
  public void aStrokeEndsAtTheEdgeOfWhatItStartedIn() {
    Point[] path = {new Point(260, 100), new Point(260, 300)};
    Plane kept = render(stroke(EDGE, path), 0);
    Plane plain = render(stroke(0, path), 0);
    Area inside = new Area(230, 120, 60, 160);
    Area beyond = new Area(306, 120, 20, 160);
    assertThat(mean(plain, beyond)).isGreaterThan(0.9);
    assertThat(mean(kept, beyond)).isLessThan(0.01);
    assertThat(mean(kept, inside)).isGreaterThan(0.93 * mean(plain, inside));
  }

  @Test
  public void likeColoursBeyondAnEdgeAreNotReached() {
    Plane kept = render(stroke(EDGE, new Point(290, 200)), 0);
    assertThat(mean(kept, new Area(350, 190, 20, 20))).isLessThan(0.01);
  }

  @Test
  public void crossingTheEdgeTheStrokeKeepsToItsSide() {
    Plane kept = render(stroke(EDGE, new Point(240, 200), new Point(330, 200)), 0);
    assertThat(mean(kept, new Area(310, 170, 30, 20))).isLessThan(0.02);
    assertThat(mean(kept, new Area(240, 170, 50, 60))).isGreaterThan(0.9);
  }

  @Test
  public void slowChangesOfLightAreFollowed() {
    Plane kept = render(stroke(EDGE, new Point(150, 20), new Point(150, 380)), 0);
    assertThat(mean(kept, new Area(120, 20, 60, 40))).isGreaterThan(0.93);
    assertThat(mean(kept, new Area(120, 340, 60, 40))).isGreaterThan(0.93);
  }

  @Test
  public void aCoarseLevelShowsTheFullSizeReduced() {
    Mask mask = stroke(EDGE, new Point(260, 100), new Point(260, 300));
    Plane coarse = render(mask, 2);
    Plane fine = Resampling.reduce(render(mask, 0), 2);
    assertThat(Level.scale(2)).isEqualTo(0.25);
    assertThat(Pictures.overlap(coarse, fine)).isGreaterThan(0.96);
  }

  @Test
  public void apartIsTheSameAsAWhole() {
    Mask mask = stroke(EDGE, new Point(260, 100), new Point(260, 300));
    Area part = new Area(250, 130, 80, 70);
    assertThat(
            Pictures.largest(Masks.render(mask, part, site(0), null), render(mask, 0).crop(part)))
        .isLessThan(1e-6);
  }

  @Test
  public void aGrowingStrokeChangesOnlyWhereItGrows() {
    Stroke shorter = stroke(new Point[] {new Point(260, 60), new Point(260, 150)}, EDGE);
    Stroke longer =
        stroke(new Point[] {new Point(260, 60), new Point(260, 150), new Point(262, 180)}, EDGE);
    Area changed =
        Masks.difference(new Nothing().painted(shorter), new Nothing().painted(longer))
            .orElseThrow();
    Plane was = render(new Nothing().painted(shorter), 0);
    Plane is = render(new Nothing().painted(longer), 0);
    int outside = 0;
    for (int y = 0; y < SIZE.height(); y++) {
      for (int x = 0; x < SIZE.width(); x++) {
        if (!changed.contains(x, y)) {
          outside++;
          assertThat(is.at(x, y)).as("%d, %d", x, y).isEqualTo(was.at(x, y));
        }
      }
    }
    assertThat(outside).isGreaterThan(100_000);
  }
}
