package carezza.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

import carezza.colour.Lab;
import carezza.filter.GaussianBlur;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.Point;
import carezza.model.Stroke;

/**
 * Finds the stray hair that a stroke was drawn along: of all smooth paths inside the stroke the one
 * along which lightness differs most from what lies beside it, found by dynamic programming over
 * cross-sections (Viterbi 1967); dark hairs and light ones.
 */
public final class HairFinder {

  /** Between cross-sections, and between places of one, in pixels. */
  private static final double STEP = 2;

  private static final double ACROSS = 0.5;

  /** Sigmas of the line and of what lies beside it. */
  private static final double LINE = 0.8;

  private static final double BESIDE = 4;

  /**
   * Most places that a hair moves sideways from one cross-section to the next, and the cost of
   * each, in L*.
   */
  private static final int BEND = 3;

  private static final double STIFFNESS = 0.15;

  /** A hair stands out this many times as far as the texture of the skin does. */
  private static final double DISTINCT = 2.5;

  /** Cross-sections that a path is averaged over. */
  private static final int SMOOTH = 3;

  private static final double NARROWEST = 1.5;

  private HairFinder() {}

  /**
   * @param drawn roughly along the hair; its radius says how far off the hair may be
   * @param working pixels of the photograph at full size, over the stroke's bounds and some beyond
   * @return the hair's own stroke, at full strength; nothing if no hair stands out
   */
  public static Optional<Stroke> along(Stroke drawn, Picture working) {
    if (drawn.length() < 4 * STEP) {
      return Optional.empty();
    }
    Plane lightness = Lab.lightness(working);
    Plane line = GaussianBlur.blur(lightness, LINE);
    Plane beside = GaussianBlur.blur(lightness, BESIDE);
    for (int i = 0; i < line.values().length; i++) {
      line.values()[i] -= beside.values()[i];
    }
    List<Section> sections = sections(drawn);
    int places = 2 * (int) (drawn.radius() / ACROSS) + 1;
    double[][] profile = new double[sections.size()][places];
    double all = 0;
    for (int i = 0; i < profile.length; i++) {
      for (int k = 0; k < places; k++) {
        Point p = sections.get(i).at((k - places / 2) * ACROSS);
        profile[i][k] = line.sample(p.x(), p.y());
        all += Math.abs(profile[i][k]) / (profile.length * places);
      }
    }
    Path dark = best(profile, -1);
    Path light = best(profile, 1);
    Path hair = dark.strength() >= light.strength() ? dark : light;
    if (hair.strength() < DISTINCT * all) {
      return Optional.empty();
    }
    List<Point> points = new ArrayList<>();
    for (int i = 0; i < profile.length; i++) {
      points.add(sections.get(i).at((smoothed(hair.places(), i) - places / 2.0 + 0.5) * ACROSS));
    }
    return Optional.of(Stroke.path(points, halfWidth(profile, hair) + 1, 0.4, 1, false));
  }

  /** A place of the drawn path and its normal. */
  private record Section(double x, double y, double nx, double ny) {
    Point at(double offset) {
      return new Point(x + offset * nx, y + offset * ny);
    }
  }

  private static List<Section> sections(Stroke s) {
    List<Section> sections = new ArrayList<>();
    double left = 0;
    for (int i = 1; i < s.size(); i++) {
      double dx = s.x(i) - s.x(i - 1);
      double dy = s.y(i) - s.y(i - 1);
      double length = Math.hypot(dx, dy);
      while (length > 0 && left <= length) {
        double t = left / length;
        sections.add(
            new Section(s.x(i - 1) + t * dx, s.y(i - 1) + t * dy, -dy / length, dx / length));
        left += STEP;
      }
      left -= length;
    }
    return sections;
  }

  /**
   * @param places of each cross-section
   * @param strength mean difference along the path, in L*
   */
  private record Path(int[] places, double strength, int sign) {}

  private static Path best(double[][] profile, int sign) {
    int n = profile.length;
    int places = profile[0].length;
    double[][] sum = new double[n][places];
    int[][] from = new int[n][places];
    for (int k = 0; k < places; k++) {
      sum[0][k] = sign * profile[0][k];
    }
    for (int i = 1; i < n; i++) {
      for (int k = 0; k < places; k++) {
        double most = -Double.MAX_VALUE;
        for (int b = Math.max(0, k - BEND); b <= Math.min(places - 1, k + BEND); b++) {
          double value = sum[i - 1][b] - STIFFNESS * (k - b) * (k - b);
          if (value > most) {
            most = value;
            from[i][k] = b;
          }
        }
        sum[i][k] = most + sign * profile[i][k];
      }
    }
    int[] path = new int[n];
    for (int k = 1; k < places; k++) {
      if (sum[n - 1][k] > sum[n - 1][path[n - 1]]) {
        path[n - 1] = k;
      }
    }
    double strength = 0;
    for (int i = n - 1; i >= 0; i--) {
      strength += sign * profile[i][path[i]] / n;
      if (i > 0) {
        path[i - 1] = from[i][path[i]];
      }
    }
    return new Path(path, strength, sign);
  }

  private static double smoothed(int[] places, int at) {
    double sum = 0;
    int n = 0;
    for (int i = Math.max(0, at - SMOOTH); i <= Math.min(places.length - 1, at + SMOOTH); i++) {
      sum += places[i];
      n++;
    }
    return sum / n;
  }

  /** From the middle to where the mean cross-section has fallen to half. */
  private static double halfWidth(double[][] profile, Path hair) {
    int places = profile[0].length;
    for (int off = 1; off < places / 2; off++) {
      double sum = 0;
      double middle = 0;
      for (int i = 0; i < profile.length; i++) {
        int k = hair.places()[i];
        middle += hair.sign() * profile[i][k];
        sum += hair.sign() * profile[i][Math.max(0, k - off)] / 2;
        sum += hair.sign() * profile[i][Math.min(places - 1, k + off)] / 2;
      }
      if (sum < middle / 2) {
        return Math.max(NARROWEST, off * ACROSS);
      }
    }
    return NARROWEST;
  }
}
