package carezza.mask;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.model.Point;

/**
 * Lips of known shape and colour on skin, found from an outline that lies too far in, as the
 * network's does.
 */
public class LipOutlineTest {

  private static final Area AREA = new Area(0, 0, 320, 200);
  private static final double[] SKIN = {62, 14, 17};

  /** Half the width and half the height of the painted lips. */
  private static final double WIDE = 100;

  private static final double HIGH = 40;

  /**
   * A lens of the painted lips' width, its lower edge first, {@code by} pixels lower and higher.
   */
  private static List<Point> lens(double by) {
    List<Point> out = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      double t = i <= 10 ? i / 5.0 - 1 : 3 - i / 5.0;
      double bow = (1 - t * t) * (HIGH + by);
      out.add(new Point(160 + WIDE * t, 100 + (i <= 10 ? bow : -bow)));
    }
    return out;
  }

  private static boolean lip(double x, double y) {
    double t = (x - 160) / WIDE;
    return Math.abs(t) < 1 && Math.abs(y - 100) < (1 - t * t) * HIGH;
  }

  /** Lit from one side, so that lightness says nothing of lip and skin. */
  private static Picture painted(double[] lips) {
    Picture picture = Picture.of(AREA);
    Random random = new Random(5);
    for (int y = 0; y < AREA.height(); y++) {
      for (int x = 0; x < AREA.width(); x++) {
        double[] colour = lip(x + 0.5, y + 0.5) ? lips : SKIN;
        double light = 0.75 + 0.5 * x / AREA.width();
        for (int c = 0; c < 3; c++) {
          picture.plane(c).values()[picture.first().index(x, y)] =
              (float) (colour[c] * light + random.nextGaussian() * 0.7);
        }
      }
    }
    return picture;
  }

  private static List<Point> fitted(double[] lips, double off) {
    return new LipOutline(painted(lips), 1, lens(off)).fitted();
  }

  /** Mean distance of the outline from the painted edge, away from the corners. */
  private static double away(List<Point> outline) {
    double sum = 0;
    int n = 0;
    for (Point p : outline) {
      double t = (p.x() - 160) / WIDE;
      if (Math.abs(t) < 0.8) {
        sum += Math.abs(Math.abs(p.y() - 100) - (1 - t * t) * HIGH);
        n++;
      }
    }
    return sum / n;
  }

  @DataProvider
  public Object[][] lips() {
    return new Object[][] {
      {"redder", new double[] {52, 26, 15}, -12},
      {"hardly redder", new double[] {60, 18, 17}, -10},
      {"darker and no redder", new double[] {48, 11, 13}, -8},
      {"paler", new double[] {70, 11, 14}, -8}
    };
  }

  @Test(dataProvider = "lips")
  public void theEdgeOfTheLipsIsFound(String what, double[] lips, double off) {
    assertThat(away(lens(off))).isGreaterThan(3);
    assertThat(away(fitted(lips, off))).as("lips that are %s than skin", what).isLessThan(2.5);
  }

  /** What is no edge does not draw the outline anywhere: it stays where lips mostly are. */
  @Test
  public void lipsOfTheColourOfSkinStayWhereTheyLikelyAre() {
    List<Point> found = fitted(SKIN, 0);
    for (Point p : found) {
      double t = Math.clamp((p.x() - 160) / WIDE, -1, 1);
      double beyond = Math.abs(p.y() - 100) - (1 - t * t) * HIGH;
      assertThat(beyond).isBetween(-0.04 * 2 * WIDE, 0.08 * 2 * WIDE);
    }
  }
}
