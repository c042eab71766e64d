package carezza.testing;

import java.util.Arrays;
import java.util.Random;
import java.util.function.DoubleBinaryOperator;

import carezza.colour.DeltaE2000;
import carezza.colour.Lab;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/** Made pictures and comparisons for tests. */
public final class Pictures {

  private Pictures() {}

  public static Plane plane(Area area, DoubleBinaryOperator value) {
    Plane plane = Plane.of(area);
    for (int y = area.y(); y < area.bottom(); y++) {
      for (int x = area.x(); x < area.right(); x++) {
        plane.values()[plane.index(x, y)] = (float) value.applyAsDouble(x, y);
      }
    }
    return plane;
  }

  public static Plane noise(Area area, double middle, double spread, long seed) {
    Random random = new Random(seed);
    return plane(area, (x, y) -> middle + spread * random.nextGaussian());
  }

  public static Picture grey(Area area, double value) {
    return new Picture(
        Plane.filled(area, (float) value),
        Plane.filled(area, (float) value),
        Plane.filled(area, (float) value));
  }

  public static Picture colour(Area area, double r, double g, double b) {
    return new Picture(
        Plane.filled(area, (float) r),
        Plane.filled(area, (float) g),
        Plane.filled(area, (float) b));
  }

  /** A colour with noise: something like skin. */
  public static Picture skin(Area area, long seed) {
    return new Picture(
        noise(area, 0.72, 0.02, seed),
        noise(area, 0.58, 0.02, seed + 1),
        noise(area, 0.48, 0.02, seed + 2));
  }

  public static double largest(Plane a, Plane b) {
    double most = 0;
    for (int i = 0; i < a.values().length; i++) {
      most = Math.max(most, Math.abs(a.values()[i] - b.values()[i]));
    }
    return most;
  }

  public static double largest(Picture a, Picture b) {
    double most = 0;
    for (int c = 0; c < 3; c++) {
      most = Math.max(most, largest(a.plane(c), b.plane(c)));
    }
    return most;
  }

  /** ΔE00 of every pixel of two working-space pictures, sorted. */
  public static double[] deltaE(Picture a, Picture b) {
    Picture la = Lab.of(a);
    Picture lb = Lab.of(b);
    double[] all = new double[a.area().pixels()];
    for (int i = 0; i < all.length; i++) {
      all[i] =
          DeltaE2000.between(
              la.first().values()[i],
              la.second().values()[i],
              la.third().values()[i],
              lb.first().values()[i],
              lb.second().values()[i],
              lb.third().values()[i]);
    }
    Arrays.sort(all);
    return all;
  }

  public static double mean(double[] values) {
    return Arrays.stream(values).average().orElse(Double.NaN);
  }

  public static double quantile(double[] sorted, double share) {
    return sorted[(int) Math.min(sorted.length - 1, share * sorted.length)];
  }

  /** Soft intersection over union of two masks. */
  public static double overlap(Plane a, Plane b) {
    double both = 0;
    double either = 0;
    for (int i = 0; i < a.values().length; i++) {
      both += Math.min(a.values()[i], b.values()[i]);
      either += Math.max(a.values()[i], b.values()[i]);
    }
    return both / either;
  }

  /**
   * Lightness of a wall's panels, turned clockwise about the middle.
   *
   * @param noise deviation in L*
   */
  public static Plane wall(Area area, double degrees, double noise) {
    Plane grain = noise(area, 0, noise, 3);
    Plane out = Plane.of(area);
    double cos = Math.cos(Math.toRadians(degrees));
    double sin = Math.sin(Math.toRadians(degrees));
    for (int y = 0; y < area.height(); y++) {
      for (int x = 0; x < area.width(); x++) {
        double dx = x - area.width() / 2.0;
        double dy = y - area.height() / 2.0;
        double u = dx * cos + dy * sin;
        double v = dy * cos - dx * sin;
        double panel = Math.tanh(Math.sin(u / 31) * 12) + 0.6 * Math.tanh(Math.sin(v / 57) * 20);
        int i = y * area.width() + x;
        out.values()[i] = (float) (55 + 6 * panel) + grain.values()[i];
      }
    }
    return out;
  }
}
