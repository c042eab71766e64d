package carezza.overlay;

import java.util.SplittableRandom;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.model.OverlayPicture.Shipped;

/**
 * The pictures that ship, drawn by numbers: lights out of focus, dust in the air, a flare of light
 * from a corner. On black, so that screened over a picture only their light comes to it. Encoded.
 */
final class ShippedPictures {

  private static final int WIDTH = 1500;
  private static final int HEIGHT = 1200;
  private static final long SEED = 20261130;

  private ShippedPictures() {}

  static Picture of(Shipped which) {
    Picture picture = Picture.of(new Area(0, 0, WIDTH, HEIGHT));
    SplittableRandom random = new SplittableRandom(SEED + which.ordinal());
    switch (which) {
      case LIGHTS -> lights(picture, random);
      case DUST -> dust(picture, random);
      case FLARE -> flare(picture);
    }
    return picture;
  }

  /** What a light gives at a distance from its middle, in radii. */
  @FunctionalInterface
  private interface Profile {
    double at(double distance);
  }

  private static void add(
      Picture picture, double x, double y, double radius, double[] colour, Profile profile) {
    Area box = Area.around(x - radius, y - radius, x + radius, y + radius);
    Area touched = box.intersect(picture.area());
    for (int v = touched.y(); v < touched.bottom(); v++) {
      for (int u = touched.x(); u < touched.right(); u++) {
        double share = profile.at(Math.hypot(u + 0.5 - x, v + 0.5 - y) / radius);
        if (share > 0) {
          int i = picture.first().index(u, v);
          for (int c = 0; c < 3; c++) {
            float[] plane = picture.plane(c).values();
            // Lights add up as through a screen, so that none passes white.
            plane[i] = (float) (1 - (1 - plane[i]) * (1 - share * colour[c]));
          }
        }
      }
    }
  }

  private static void lights(Picture picture, SplittableRandom random) {
    for (int n = 0; n < 70; n++) {
      double radius = 22 + 62 * random.nextDouble() * random.nextDouble();
      double warm = random.nextDouble();
      double bright = 0.12 + 0.5 * random.nextDouble();
      double[] colour = {
        bright * (0.85 + 0.15 * warm), bright * (0.55 + 0.25 * warm), bright * (0.75 - 0.5 * warm)
      };
      // A disc, a little brighter at its rim, its edge a few pixels wide.
      add(
          picture,
          WIDTH * random.nextDouble(),
          HEIGHT * random.nextDouble(),
          radius,
          colour,
          d -> (0.75 + 0.25 * d * d) * Math.clamp((1 - d) * radius / 3, 0, 1));
    }
  }

  private static void dust(Picture picture, SplittableRandom random) {
    for (int n = 0; n < 900; n++) {
      double near = random.nextDouble();
      double radius = 1.2 + 9 * near * near * near;
      double bright = (0.15 + 0.6 * random.nextDouble()) * Math.min(1, 2.5 / radius);
      double[] colour = {bright, 0.96 * bright, 0.88 * bright};
      add(
          picture,
          WIDTH * random.nextDouble(),
          HEIGHT * random.nextDouble(),
          radius,
          colour,
          d -> Math.clamp(1.6 * (1 - d), 0, 1));
    }
  }

  private static void flare(Picture picture) {
    double x = 0.12 * WIDTH;
    double y = 0.1 * HEIGHT;
    add(picture, x, y, 1.1 * WIDTH, new double[] {0.75, 0.5, 0.28}, d -> Math.exp(-5 * d) - 0.0067);
    add(picture, x, y, 0.16 * WIDTH, new double[] {0.95, 0.85, 0.7}, d -> Math.exp(-4 * d) - 0.018);
    double[][] ghosts = {
      {0.35, 40, 0.10, 0.05, 0.03}, {0.55, 75, 0.05, 0.08, 0.06},
      {0.8, 52, 0.09, 0.06, 0.02}, {1.15, 120, 0.05, 0.04, 0.07},
    };
    for (double[] g : ghosts) {
      // Along the line from the light through the middle of the picture.
      add(
          picture,
          x + g[0] * 2 * (WIDTH / 2.0 - x),
          y + g[0] * 2 * (HEIGHT / 2.0 - y),
          g[1],
          new double[] {g[2], g[3], g[4]},
          d -> Math.clamp((1 - d) * 12, 0, 1));
    }
  }
}
