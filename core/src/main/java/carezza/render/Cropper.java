package carezza.render;

import java.util.Arrays;
import java.util.stream.IntStream;

import org.jspecify.annotations.Nullable;

import carezza.filter.Cubic;
import carezza.filter.GaussianBlur;
import carezza.filter.MirrorBoundary;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.model.Crop;

/**
 * Cuts a frame out of a picture: pixels by cubic interpolation (Keys 1981, a = −1/2) where it is
 * turned or lies between pixels. Beyond the picture its low band goes on from the edge, with the
 * fine detail that lies as far inside, so that a backdrop goes on with its own grain.
 */
public final class Cropper {

  /** Sigma of the low band that goes on, as a share of the picture's short edge. */
  private static final double LOW = 1 / 50.0;

  /** Share of the backdrop from which a pixel is nothing else. */
  private static final float SURE = 0.99f;

  private Cropper() {}

  /**
   * @param picture whole, at a level
   * @param scale pixels of the level per photograph pixel
   * @param ground share of a backdrop of one colour at each place, over the whole picture in any
   *     size: beyond its edge that colour goes on; null where there is none
   * @return a picture from 0, 0 of the frame's size
   */
  public static Picture cut(Picture picture, Crop crop, double scale, @Nullable Plane ground) {
    PictureSize size = crop.size(scale);
    Area out = size.area();
    double left = crop.x() * scale - size.width() / 2.0;
    double top = crop.y() * scale - size.height() / 2.0;
    boolean whole = crop.angle() == 0 && left == Math.rint(left) && top == Math.rint(top);
    Area there =
        new Area((int) Math.floor(left), (int) Math.floor(top), size.width(), size.height());
    if (whole && picture.area().contains(there)) {
      return picture.crop(there).map(p -> new Plane(out, p.values()));
    }
    boolean beyond =
        crop.corners().stream()
            .anyMatch(
                c ->
                    c.x() * scale < -0.01
                        || c.y() * scale < -0.01
                        || c.x() * scale > picture.area().width() + 0.01
                        || c.y() * scale > picture.area().height() + 0.01);
    double sigma = LOW * Math.min(picture.area().width(), picture.area().height());
    Picture cut =
        picture.map(p -> cut(p, beyond ? GaussianBlur.blur(p, sigma) : null, crop, scale, out));
    return beyond && ground != null ? laidOn(cut, picture, crop, scale, ground) : cut;
  }

  /** With the ground beyond the picture, where it reaches the edge. */
  private static Picture laidOn(
      Picture cut, Picture picture, Crop crop, double scale, Plane ground) {
    float[] colour = along(picture, ground);
    Area whole = picture.area();
    double across = (double) ground.width() / whole.width();
    double down = (double) ground.height() / whole.height();
    each(
        cut.area(),
        crop,
        scale,
        (i, x, y) -> {
          double nearX = Math.clamp(x, 0, whole.width());
          double nearY = Math.clamp(y, 0, whole.height());
          double away = Math.hypot(x - nearX, y - nearY);
          if (away > 0) {
            float open = ground.sample(nearX * across, nearY * down);
            float share = open * (float) Math.min(1, away);
            for (int c = 0; c < 3; c++) {
              float[] values = cut.plane(c).values();
              values[i] += share * (colour[c] - values[i]);
            }
          }
        });
    return cut;
  }

  /** What the ground is along the picture's edge, where it is for sure; white if it is nowhere. */
  private static float[] along(Picture picture, Plane ground) {
    int w = picture.area().width();
    int h = picture.area().height();
    double across = (double) ground.width() / w;
    double down = (double) ground.height() / h;
    int[] sure =
        IntStream.range(0, 2 * (w + h))
            .map(i -> i < 2 * w ? (i % w) + (i / w) * (h - 1) * w : edge(i - 2 * w, w))
            .filter(i -> ground.sample((i % w + 0.5) * across, (i / w + 0.5) * down) > SURE)
            .toArray();
    float[] colour = {1, 1, 1};
    for (int c = 0; sure.length > 0 && c < 3; c++) {
      float[] values = picture.plane(c).values();
      double[] own = Arrays.stream(sure).mapToDouble(i -> values[i]).toArray();
      colour[c] = (float) RobustStatistics.quantile(own, 0.5);
    }
    return colour;
  }

  /** Pixels of the left and the right side in turn. */
  private static int edge(int i, int width) {
    return i / 2 * width + i % 2 * (width - 1);
  }

  private static Plane cut(Plane plane, @Nullable Plane low, Crop crop, double scale, Area out) {
    Plane result = Plane.of(out);
    int w = plane.width();
    int h = plane.height();
    each(
        out,
        crop,
        scale,
        (i, x, y) -> {
          boolean inside = x >= 0 && y >= 0 && x <= w && y <= h;
          result.values()[i] =
              inside || low == null ? cubic(plane, x, y) : goneOn(plane, low, x, y);
        });
    return result;
  }

  /** A pixel of the frame and the place of the picture that it shows. */
  @FunctionalInterface
  private interface At {
    void run(int index, double x, double y);
  }

  private static void each(Area out, Crop crop, double scale, At at) {
    double t = Math.toRadians(crop.angle());
    double cos = Math.cos(t);
    double sin = Math.sin(t);
    double cx = crop.x() * scale;
    double cy = crop.y() * scale;
    ParallelRows.each(
        out.width(),
        out.height(),
        (from, to) -> {
          for (int y = from; y < to; y++) {
            double dy = y + 0.5 - out.height() / 2.0;
            for (int x = 0; x < out.width(); x++) {
              double dx = x + 0.5 - out.width() / 2.0;
              at.run(y * out.width() + x, cx + dx * cos - dy * sin, cy + dx * sin + dy * cos);
            }
          }
        });
  }

  private static float goneOn(Plane plane, Plane low, double x, double y) {
    int mx = MirrorBoundary.index((int) Math.floor(x), plane.width());
    int my = MirrorBoundary.index((int) Math.floor(y), plane.height());
    double nearX = Math.clamp(x, 0, plane.width());
    double nearY = Math.clamp(y, 0, plane.height());
    return low.sample(nearX, nearY) + plane.at(mx, my) - low.at(mx, my);
  }

  private static float cubic(Plane plane, double x, double y) {
    double fx = x - 0.5;
    double fy = y - 0.5;
    int x0 = (int) Math.floor(fx);
    int y0 = (int) Math.floor(fy);
    double tx = fx - x0;
    double ty = fy - y0;
    double sum = 0;
    for (int j = -1; j <= 2; j++) {
      double row = 0;
      for (int i = -1; i <= 2; i++) {
        row += Cubic.weight(i - tx) * plane.atNearest(x0 + i, y0 + j);
      }
      sum += Cubic.weight(j - ty) * row;
    }
    return (float) sum;
  }
}
