package carezza.face;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Scanner;
import java.util.stream.IntStream;

import org.jspecify.annotations.Nullable;

import carezza.image.Picture;
import carezza.model.Point;

/**
 * Lays the mesh of 478 points on a face: twice to find its place, then four times to find the mean.
 */
final class FaceMesh {

  private static final double MARGIN = 1.5;
  private static final double SURE = 0.5;
  private static final double JITTER = 0.02;

  private final Network net = new Network("face_landmark_with_attention", 192);
  private final int[] mirror = mirror();

  private static int[] mirror() {
    try (InputStream in = FaceMesh.class.getResourceAsStream("/carezza/face/mirror478.txt");
        Scanner numbers = new Scanner(in, StandardCharsets.US_ASCII)) {
      int[] out = new int[MeshPoints.COUNT];
      for (int i = 0; i < out.length; i++) {
        out[i] = numbers.nextInt();
      }
      return out;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Points in pixels of the picture; empty where the network sees no face in the box. */
  Optional<Point[]> find(Picture srgb, FaceDetector.Box box) {
    NetworkInput crop = new NetworkInput(box.middle(), MARGIN * box.longer(), box.angle(), false);
    Point[] first = run(srgb, crop);
    Point[] points = first == null ? null : run(srgb, around(first));
    if (points == null) {
      return Optional.empty();
    }
    double[][] sum = new double[MeshPoints.COUNT][2];
    NetworkInput settled = around(points);
    List<Optional<Point[]>> looks =
        IntStream.range(0, 4).parallel().mapToObj(look -> look(srgb, settled, look)).toList();
    for (Optional<Point[]> look : looks) {
      Point[] seen = look.orElse(null);
      if (seen == null) {
        return Optional.of(points);
      }
      for (int i = 0; i < sum.length; i++) {
        sum[i][0] += seen[i].x() / 4;
        sum[i][1] += seen[i].y() / 4;
      }
    }
    Point[] mean = new Point[sum.length];
    for (int i = 0; i < mean.length; i++) {
      mean[i] = new Point(sum[i][0], sum[i][1]);
    }
    return Optional.of(mean);
  }

  /** One of four looks, aside and mirrored. */
  private Optional<Point[]> look(Picture srgb, NetworkInput crop, int which) {
    double shift = (which < 2 ? JITTER : -JITTER) * crop.side();
    return Optional.ofNullable(
        run(
            srgb,
            new NetworkInput(
                crop.middle().plus(shift, -shift), crop.side(), crop.angle(), which % 2 == 1)));
  }

  /** The square around the points, along the line of the eyes. */
  private static NetworkInput around(Point[] points) {
    TurnedBox box = TurnedBox.of(points, IntStream.range(0, MeshPoints.PLAIN));
    return new NetworkInput(
        box.middle(), MARGIN * Math.max(box.width(), box.height()), box.angle(), false);
  }

  private Point @Nullable [] run(Picture srgb, NetworkInput crop) {
    Map<String, float[]> out = net.run(crop.pixels(srgb, net.side(), 0, 1));
    double flag = 1 / (1 + Math.exp(-Network.output(out, "conv_faceflag")[0]));
    if (flag <= SURE) {
      return null;
    }
    float[][] xy = new float[MeshPoints.COUNT][2];
    float[] mesh = Network.output(out, "output_mesh_identity");
    for (int i = 0; i < MeshPoints.PLAIN; i++) {
      xy[i][0] = mesh[3 * i];
      xy[i][1] = mesh[3 * i + 1];
    }
    refine(xy, MeshPoints.REFINED_LIPS, Network.output(out, "output_lips"));
    refine(xy, MeshPoints.REFINED_LEFT_EYE, Network.output(out, "output_left_eye"));
    refine(xy, MeshPoints.REFINED_RIGHT_EYE, Network.output(out, "output_right_eye"));
    refine(xy, new int[] {468, 469, 470, 471, 472}, Network.output(out, "output_left_iris"));
    refine(xy, new int[] {473, 474, 475, 476, 477}, Network.output(out, "output_right_iris"));
    Point[] points = new Point[MeshPoints.COUNT];
    for (int i = 0; i < points.length; i++) {
      points[crop.mirrored() ? mirror[i] : i] =
          crop.at(xy[i][0] / net.side(), xy[i][1] / net.side());
    }
    return points;
  }

  private static void refine(float[][] xy, int[] which, float[] values) {
    for (int k = 0; k < which.length; k++) {
      xy[which[k]][0] = values[2 * k];
      xy[which[k]][1] = values[2 * k + 1];
    }
  }
}
