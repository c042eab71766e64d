package carezza.codec;

import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.util.Arrays;
import java.util.function.Consumer;

import org.jspecify.annotations.Nullable;

import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Plane;

/**
 * A large photograph small, as soon as its file is decoded: its colours are turned in full only
 * then, and whoever waits sees it meanwhile. Each of its pixels is the mean of a square of encoded
 * values.
 */
final class FirstSight {

  /** Smaller ones are read whole before anybody waits. */
  private static final long LEAST_PIXELS = 6_000_000;

  /** What a window of usual size shows. */
  private static final int LONG_EDGE = 1200;

  private FirstSight() {}

  /** Edge of the squares that become one pixel; 1 of a picture that need not be seen first. */
  private static int side(int width, int height) {
    return (long) width * height < LEAST_PIXELS
        ? 1
        : Math.max(1, Math.max(width, height) / LONG_EDGE);
  }

  /** Shows a raster of samples as decoded. */
  static void of(Raster decoded, @Nullable Consumer<Raster> shown) {
    int side = side(decoded.getWidth(), decoded.getHeight());
    if (shown != null && side > 1) {
      shown.accept(reduced(decoded, side));
    }
  }

  /** Shows a picture that was decoded to planes. */
  static void of(Encoded decoded, @Nullable Consumer<Encoded> shown) {
    Area area = decoded.planes()[0].area();
    int side = side(area.width(), area.height());
    if (shown != null && side > 1) {
      Plane[] small =
          Arrays.stream(decoded.planes()).map(p -> reduced(p, side)).toArray(Plane[]::new);
      shown.accept(
          new Encoded(
              decoded.model(),
              small,
              decoded.bits(),
              decoded.tag(),
              decoded.metadata(),
              decoded.remarks()));
    }
  }

  private static Raster reduced(Raster raster, int side) {
    int w = raster.getWidth() / side;
    int h = raster.getHeight() / side;
    int bands = raster.getNumBands();
    WritableRaster out = raster.createCompatibleWritableRaster(w, h);
    ParallelRows.each(
        raster.getWidth() * side,
        h,
        (from, to) -> {
          Rasters.Lines lines = Rasters.lines(raster);
          float[][] rows = new float[bands][raster.getWidth()];
          float[][] sums = new float[bands][raster.getWidth()];
          float[] means = new float[w];
          for (int y = from; y < to; y++) {
            for (int i = 0; i < side; i++) {
              lines.read(y * side + i, rows);
              for (int c = 0; c < bands; c++) {
                add(rows[c], 0, sums[c], i == 0);
              }
            }
            for (int c = 0; c < bands; c++) {
              means(sums[c], side, means, 0, w);
              // A raster of integers takes what is below the value.
              for (int x = 0; x < w; x++) {
                means[x] += 0.5f;
              }
              out.setSamples(0, y, w, 1, c, means);
            }
          }
        });
    return out;
  }

  private static Plane reduced(Plane plane, int side) {
    int w = plane.width() / side;
    Plane out = Plane.of(new Area(0, 0, w, plane.height() / side));
    ParallelRows.each(
        plane.width() * side,
        out.height(),
        (from, to) -> {
          float[] sums = new float[plane.width()];
          for (int y = from; y < to; y++) {
            for (int i = 0; i < side; i++) {
              add(plane.values(), (y * side + i) * plane.width(), sums, i == 0);
            }
            means(sums, side, out.values(), y * w, w);
          }
        });
    return out;
  }

  /** Adds the row that begins at a place, or takes it as the first. */
  private static void add(float[] in, int at, float[] sums, boolean first) {
    if (first) {
      System.arraycopy(in, at, sums, 0, sums.length);
    } else {
      for (int x = 0; x < sums.length; x++) {
        sums[x] += in[at + x];
      }
    }
  }

  /** Of {@code side} rows' sums, and as many columns. */
  private static void means(float[] sums, int side, float[] out, int at, int w) {
    float share = 1f / (side * side);
    for (int x = 0; x < w; x++) {
      float sum = 0;
      for (int i = x * side; i < x * side + side; i++) {
        sum += sums[i];
      }
      out[at + x] = sum * share;
    }
  }
}
