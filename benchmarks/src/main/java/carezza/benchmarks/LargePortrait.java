package carezza.benchmarks;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.SplittableRandom;

import carezza.codec.PictureReader;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.Point;
import carezza.problem.Problem;

/**
 * A made-up portrait enlarged to the size of a camera's, with noise so that it is not smoother than
 * a photograph.
 *
 * @param pixels working space
 * @param faces its face map
 * @param factor it was enlarged by
 */
record LargePortrait(Picture pixels, FaceMap faces, double factor) {

  private static final float NOISE = 0.008f;
  private static final FaceMap SMALL =
      new FaceMap(
          new FaceOval(885.5, 1095, 535.5, 611, 0),
          new Point(635, 880),
          new Point(1112, 909),
          new Point(659, 1381),
          new Point(1026, 1404));

  /** 4400 x 5500 pixels. */
  static LargePortrait of24Megapixels() {
    return enlarged(2.75);
  }

  /** 8960 x 11200 pixels. */
  static LargePortrait of100Megapixels() {
    return enlarged(5.6);
  }

  private static LargePortrait enlarged(double factor) {
    Picture small = small();
    Area area =
        new Area(
            0,
            0,
            (int) Math.round(small.area().width() * factor),
            (int) Math.round(small.area().height() * factor));
    return new LargePortrait(
        small.map(p -> enlarged(p, area, factor)), scaled(SMALL, factor), factor);
  }

  private static Picture small() {
    try (InputStream in = LargePortrait.class.getResourceAsStream("/portraits/s04/photo.jpg")) {
      return PictureReader.decode(in.readAllBytes(), "photo.jpg").pixels();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (Problem e) {
      throw new IllegalStateException(e);
    }
  }

  private static Plane enlarged(Plane small, Area area, double factor) {
    Plane out = Plane.of(area);
    int w = area.width();
    ParallelRows.each(
        w,
        area.height(),
        (from, to) -> {
          for (int y = from; y < to; y++) {
            SplittableRandom random = new SplittableRandom(y);
            for (int x = 0; x < w; x++) {
              float noise = (float) (random.nextDouble() + random.nextDouble() - 1);
              out.values()[y * w + x] =
                  small.sample((x + 0.5) / factor, (y + 0.5) / factor) + NOISE * noise;
            }
          }
        });
    return out;
  }

  private static FaceMap scaled(FaceMap f, double s) {
    FaceOval o = f.oval();
    return new FaceMap(
        new FaceOval(o.x() * s, o.y() * s, o.radiusX() * s, o.radiusY() * s, o.angle()),
        scaled(f.leftPupil(), s),
        scaled(f.rightPupil(), s),
        scaled(f.leftMouth(), s),
        scaled(f.rightMouth(), s));
  }

  private static Point scaled(Point p, double s) {
    return new Point(p.x() * s, p.y() * s);
  }
}
