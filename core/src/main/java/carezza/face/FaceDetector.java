package carezza.face;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

import org.jspecify.annotations.Nullable;

import carezza.image.Picture;
import carezza.model.Point;

/**
 * Finds the boxes of faces: in the whole picture by the full-range network, then by the short-range
 * one, and only where nothing was found in overlapping tiles, for small faces.
 */
final class FaceDetector {

  private static final double SURE = 0.5;
  private static final double SURE_IN_TILES = 0.6;
  private static final double SAME_FACE = 0.3;
  private static final int VALUES = 16;
  private static final double MARGIN = 1.6;

  private final Network full = new Network("face_detection_full_range", 192);
  private final Network near = new Network("face_detection_short_range", 128);

  /**
   * A face's box.
   *
   * @param leftEye the eye on the left of the picture when the face is upright
   */
  record Box(
      Point middle, double width, double height, Point leftEye, Point rightEye, double score) {

    double overlap(Box other) {
      double w =
          Math.min(middle.x() + width / 2, other.middle.x() + other.width / 2)
              - Math.max(middle.x() - width / 2, other.middle.x() - other.width / 2);
      double h =
          Math.min(middle.y() + height / 2, other.middle.y() + other.height / 2)
              - Math.max(middle.y() - height / 2, other.middle.y() - other.height / 2);
      if (w <= 0 || h <= 0) {
        return 0;
      }
      return w * h / (width * height + other.width * other.height - w * h);
    }

    double longer() {
      return Math.max(width, height);
    }

    double angle() {
      return Math.atan2(rightEye.y() - leftEye.y(), rightEye.x() - leftEye.x());
    }
  }

  /** Boxes in pixels of the picture, the largest first. */
  List<Box> find(Picture srgb) {
    double w = srgb.area().width();
    double h = srgb.area().height();
    double side = Math.max(w, h);
    NetworkInput whole = new NetworkInput(new Point(w / 2, h / 2), side, 0, false);
    List<Box> found = new ArrayList<>(look(full, srgb, whole, SURE));
    if (found.isEmpty()) {
      found.addAll(look(near, srgb, whole, SURE));
    }
    if (found.isEmpty()) {
      found.addAll(
          look(near, srgb, new NetworkInput(whole.middle(), MARGIN * side, 0, false), SURE));
    }
    for (int tiles = 2; found.isEmpty() && tiles <= 3; tiles++) {
      found.addAll(tiles(srgb, tiles));
    }
    List<Box> faces = apart(found);
    faces.sort(Comparator.comparingDouble(Box::longer).reversed());
    return faces;
  }

  private List<Box> tiles(Picture srgb, int count) {
    double w = srgb.area().width();
    double h = srgb.area().height();
    double side = Math.max(w, h) / count * 1.3;
    List<Box> found = new ArrayList<>();
    for (int j = 0; j < count; j++) {
      for (int i = 0; i < count; i++) {
        Point middle = new Point(w * (i + 0.5) / count, h * (j + 0.5) / count);
        found.addAll(look(full, srgb, new NetworkInput(middle, side, 0, false), SURE_IN_TILES));
      }
    }
    return found;
  }

  private static List<Box> look(Network net, Picture srgb, NetworkInput crop, double sure) {
    Map<String, float[]> out = net.run(crop.pixels(srgb, net.side(), -1, 1));
    List<float[]> both =
        out.values().stream().sorted(Comparator.comparingInt(v -> v.length)).toList();
    float[] scores = both.getFirst();
    float[] rows = both.getLast();
    List<Box> found = new ArrayList<>();
    for (int i = 0; i < scores.length; i++) {
      double score = 1 / (1 + Math.exp(-Math.clamp(scores[i], -100, 100)));
      if (score > sure) {
        found.add(box(rows, i, scores.length, net.side(), crop, score));
      }
    }
    return found;
  }

  private static Box box(
      float[] rows, int i, int count, double side, NetworkInput crop, double score) {
    double[] anchor = anchor(i, count);
    int at = i * VALUES;
    Point[] points = new Point[3];
    for (int k = 0; k < 3; k++) {
      // The box's middle, then the two eyes.
      int from = k == 0 ? at : at + 4 + 2 * (k - 1);
      points[k] = crop.at(rows[from] / side + anchor[0], rows[from + 1] / side + anchor[1]);
    }
    return new Box(
        points[0],
        rows[at + 2] / side * crop.side(),
        rows[at + 3] / side * crop.side(),
        points[1],
        points[2],
        score);
  }

  /** Middle of an output's cell: a grid of 48, or two grids of 16 and 8 with 2 and 6 to a cell. */
  private static double[] anchor(int i, int count) {
    int grid = 48;
    int each = 1;
    int k = i;
    if (count == 896) {
      boolean fine = i < 512;
      grid = fine ? 16 : 8;
      each = fine ? 2 : 6;
      k = fine ? i : i - 512;
    }
    int cell = k / each;
    return new double[] {(cell % grid + 0.5) / grid, (cell / grid + 0.5) / grid};
  }

  /** Of boxes on one face a mean, weighted by their scores. */
  private static List<Box> apart(List<Box> all) {
    List<Box> rest = new ArrayList<>(all);
    rest.sort(Comparator.comparingDouble(Box::score).reversed());
    List<Box> faces = new ArrayList<>();
    while (!rest.isEmpty()) {
      Box best = rest.getFirst();
      List<Box> same = rest.stream().filter(b -> b == best || b.overlap(best) > SAME_FACE).toList();
      rest.removeAll(same);
      faces.add(mean(same, best.score()));
    }
    return faces;
  }

  private static Box mean(List<Box> boxes, double score) {
    double[] sum = new double[8];
    double weight = 0;
    for (Box b : boxes) {
      double[] v = {
        b.middle.x(),
        b.middle.y(),
        b.width,
        b.height,
        b.leftEye.x(),
        b.leftEye.y(),
        b.rightEye.x(),
        b.rightEye.y()
      };
      for (int i = 0; i < v.length; i++) {
        sum[i] += b.score * v[i];
      }
      weight += b.score;
    }
    for (int i = 0; i < sum.length; i++) {
      sum[i] /= weight;
    }
    return new Box(
        new Point(sum[0], sum[1]),
        sum[2],
        sum[3],
        new Point(sum[4], sum[5]),
        new Point(sum[6], sum[7]),
        score);
  }
}
