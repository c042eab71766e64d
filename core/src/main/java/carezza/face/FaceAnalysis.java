package carezza.face;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

import carezza.colour.WorkingSpace;
import carezza.filter.RobustStatistics;
import carezza.function.LookupTable;
import carezza.image.Level;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;
import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.FaceOutlines;
import carezza.model.FaceOutlines.Circle;
import carezza.model.Point;

/**
 * Looks for faces by four small networks (see NOTICE), on the processor, without any network
 * access. A dark picture is lifted first, as they were made for well-exposed ones.
 */
public final class FaceAnalysis {

  /** Long edge in pixels of the picture that is looked at. */
  private static final double LONG_EDGE = 1600;

  /** Median encoded grey below which a picture is lifted, and where to. */
  private static final double DARK = 0.35;

  private static final double LIFTED = 0.42;

  /** Steps of the lifting curve: many times finer than what the networks are given. */
  private static final int LIFT_STEPS = 4096;

  private final FaceDetector detector = new FaceDetector();
  private final FaceMesh mesh = new FaceMesh();
  private final SubjectMatte matte = new SubjectMatte();

  private FaceAnalysis() {}

  private static final class Shared {
    static final FaceAnalysis INSTANCE = new FaceAnalysis();
  }

  /** The networks are read when first asked for. */
  public static FaceAnalysis shared() {
    return Shared.INSTANCE;
  }

  /** The level of a photograph that {@link #faces} and {@link #subject} want. */
  public static int level(PictureSize photograph) {
    return Level.forZoom(Math.min(1, LONG_EDGE / photograph.longEdge()));
  }

  /**
   * The face maps of a picture, the largest face first.
   *
   * @param working the whole picture at a level
   */
  public List<FaceMap> faces(Picture working, int level) {
    Picture seen = lifted(working);
    List<FaceMap> maps = new ArrayList<>();
    for (FaceDetector.Box box : detector.find(seen)) {
      mesh.find(seen, box).flatMap(points -> map(points, Level.scale(level))).ifPresent(maps::add);
    }
    return maps;
  }

  /** Probability of the subject on a coarse grid over the whole picture. */
  public Plane subject(Picture working) {
    return matte.find(lifted(working));
  }

  private static Picture lifted(Picture working) {
    Picture srgb = WorkingSpace.toSrgb(working);
    double middle = RobustStatistics.median(srgb.second(), Plane.filled(srgb.area(), 1));
    if (!(middle < DARK) || middle < 1e-3) {
      return srgb;
    }
    double power = Math.max(0.35, Math.log(LIFTED) / Math.log(middle));
    LookupTable curve =
        new LookupTable(v -> Math.pow(v, power), 0, 1 + 1.0 / LIFT_STEPS, LIFT_STEPS);
    for (int c = 0; c < 3; c++) {
      float[] v = srgb.plane(c).values();
      int width = srgb.area().width();
      ParallelRows.each(
          width,
          srgb.area().height(),
          (from, to) -> {
            for (int i = from * width; i < to * width; i++) {
              v[i] = curve.at(Math.clamp(v[i], 0f, 1f));
            }
          });
    }
    return srgb;
  }

  private static Optional<FaceMap> map(Point[] points, double scale) {
    Point[] p = new Point[points.length];
    for (int i = 0; i < p.length; i++) {
      p[i] = new Point(points[i].x() / scale, points[i].y() / scale);
    }
    FaceOutlines outlines =
        new FaceOutlines(
            outline(p, MeshPoints.LIPS_OUTER),
            outline(p, MeshPoints.LIPS_INNER),
            outline(p, MeshPoints.EYE_LEFT),
            outline(p, MeshPoints.EYE_RIGHT),
            outline(p, MeshPoints.BROW_LEFT),
            outline(p, MeshPoints.BROW_RIGHT),
            outline(p, MeshPoints.FACE_OVAL),
            iris(p, MeshPoints.IRIS_LEFT),
            iris(p, MeshPoints.IRIS_RIGHT));
    try {
      return Optional.of(
          new FaceMap(
              oval(p),
              outlines.leftIris().middle(),
              outlines.rightIris().middle(),
              p[MeshPoints.MOUTH_LEFT],
              p[MeshPoints.MOUTH_RIGHT],
              outlines));
    } catch (IllegalArgumentException e) {
      // A profile folds the mesh on itself; there is a face, but no map of it.
      return Optional.empty();
    }
  }

  private static List<Point> outline(Point[] p, int[] which) {
    List<Point> out = new ArrayList<>();
    for (int i : which) {
      out.add(p[i]);
    }
    return out;
  }

  private static Circle iris(Point[] p, int first) {
    double radius = 0;
    for (int k = 1; k <= 4; k++) {
      radius += p[first].distance(p[first + k]) / 4;
    }
    return new Circle(p[first], radius);
  }

  /** The ellipse along the line of the eyes that holds the outline of the face. */
  private static FaceOval oval(Point[] p) {
    TurnedBox box = TurnedBox.of(p, Arrays.stream(MeshPoints.FACE_OVAL));
    return new FaceOval(
        box.middle().x(),
        box.middle().y(),
        box.width() / 2,
        box.height() / 2,
        Math.toDegrees(box.angle()));
  }
}
