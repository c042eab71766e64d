package carezza.desktop.geometry;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;

import org.jspecify.annotations.Nullable;

import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.FaceMap.Part;
import carezza.model.FaceOutlines;
import carezza.model.FaceOutlines.Circle;
import carezza.model.Point;
import carezza.model.Project;

/**
 * The handles of the face maps: the oval's middle and two rims, both pupils, both corners of the
 * mouth; and where there are outlines the corners and middles of the lids, the rims of the irises
 * and the middles of the lips' edges. Dragging one marks its part as put right by hand.
 */
public final class FaceHandles {

  private FaceHandles() {}

  /** How a handle is drawn. */
  public enum Glyph {
    SQUARE,
    ROUND,
    DIAMOND,
    DOT
  }

  /**
   * One handle.
   *
   * @param face which face of the project's
   * @param name unlike those of the face's other handles
   */
  public record Handle(
      int face,
      String name,
      Glyph glyph,
      Point place,
      Part part,
      BiFunction<FaceMap, Point, FaceMap> move) {

    /** The project with this handle elsewhere; unchanged where that would make no face. */
    public Project moved(Project project, @Nullable Point to) {
      List<FaceMap> all = new ArrayList<>(project.allFaces());
      try {
        all.set(face, move.apply(all.get(face), to).correcting(part));
        return project.withAllFaces(all);
      } catch (IllegalArgumentException e) {
        return project;
      }
    }
  }

  /** Of all faces. */
  public static List<Handle> of(Project project) {
    List<Handle> all = new ArrayList<>();
    List<FaceMap> faces = project.allFaces();
    for (int i = 0; i < faces.size(); i++) {
      new Collector(i, faces.get(i), all).collect();
    }
    return all;
  }

  /** The nearest handle within reach, or null. */
  public static @Nullable Handle near(Project project, Point at, double reach) {
    return of(project).stream()
        .filter(h -> h.place().distance(at) <= reach)
        .min(Comparator.comparingDouble(h -> h.place().distance(at)))
        .orElse(null);
  }

  private record Collector(int index, FaceMap face, List<Handle> all) {

    void collect() {
      FaceOval o = face.oval();
      oval(
          "side",
          new Point(o.x() + o.radiusX(), o.y()),
          (was, p) ->
              new FaceOval(
                  was.x(),
                  was.y(),
                  Math.max(10, Math.abs(p.x() - was.x())),
                  was.radiusY(),
                  was.angle()));
      oval(
          "chin",
          new Point(o.x(), o.y() + o.radiusY()),
          (was, p) ->
              new FaceOval(
                  was.x(),
                  was.y(),
                  was.radiusX(),
                  Math.max(10, Math.abs(p.y() - was.y())),
                  was.angle()));
      oval(
          "middle",
          new Point(o.x(), o.y()),
          (was, p) -> new FaceOval(p.x(), p.y(), was.radiusX(), was.radiusY(), was.angle()));
      add("left-pupil", Glyph.ROUND, face.leftPupil(), Part.LEFT_EYE, FaceMap::withLeftPupil);
      add("right-pupil", Glyph.ROUND, face.rightPupil(), Part.RIGHT_EYE, FaceMap::withRightPupil);
      add(
          "left-mouth",
          Glyph.DIAMOND,
          face.leftMouth(),
          Part.MOUTH,
          (f, p) -> f.withMouth(p, f.rightMouth()));
      add(
          "right-mouth",
          Glyph.DIAMOND,
          face.rightMouth(),
          Part.MOUTH,
          (f, p) -> f.withMouth(f.leftMouth(), p));
      FaceOutlines outlines = face.outlines();
      if (outlines != null) {
        eye("left", outlines.leftEye(), outlines.leftIris(), Part.LEFT_EYE);
        eye("right", outlines.rightEye(), outlines.rightIris(), Part.RIGHT_EYE);
        lips(outlines);
      }
    }

    private void oval(String name, Point place, BiFunction<FaceOval, Point, FaceOval> change) {
      add(name, Glyph.SQUARE, place, Part.OVAL, (f, p) -> f.withOval(change.apply(f.oval(), p)));
    }

    private void eye(String side, List<Point> lids, Circle iris, Part part) {
      int half = lids.size() / 2;
      lid(side + "-eye-corner", lids.getFirst(), part, (l, p) -> FaceOutlines.cornered(l, true, p));
      lid(
          side + "-eye-other-corner",
          lids.get(half),
          part,
          (l, p) -> FaceOutlines.cornered(l, false, p));
      for (int place : new int[] {half / 2, half + half / 2}) {
        lid(
            side + "-lid-" + place,
            lids.get(place),
            part,
            (l, p) -> FaceOutlines.bent(l, place, p));
      }
      add(
          side + "-iris",
          Glyph.DOT,
          iris.middle().plus(iris.radius(), 0),
          part,
          (f, p) ->
              withEye(
                  f,
                  part,
                  UnaryOperator.identity(),
                  c -> new Circle(c.middle(), Math.max(1, c.middle().distance(p)))));
    }

    private void lid(
        String name, Point place, Part part, BiFunction<List<Point>, Point, List<Point>> change) {
      add(
          name,
          Glyph.DOT,
          place,
          part,
          (f, p) -> withEye(f, part, l -> change.apply(l, p), UnaryOperator.identity()));
    }

    private static FaceMap withEye(
        FaceMap f, Part part, UnaryOperator<List<Point>> lids, UnaryOperator<Circle> iris) {
      FaceOutlines o = Objects.requireNonNull(f.outlines());
      return f.withOutlines(
          part == Part.LEFT_EYE
              ? o.withLeftEye(lids.apply(o.leftEye()), iris.apply(o.leftIris()))
              : o.withRightEye(lids.apply(o.rightEye()), iris.apply(o.rightIris())));
    }

    private void lips(FaceOutlines outlines) {
      for (boolean outer : new boolean[] {true, false}) {
        List<Point> edge = outer ? outlines.outerLips() : outlines.innerLips();
        int half = edge.size() / 2;
        for (int place : new int[] {half / 2, half + half / 2}) {
          add(
              (outer ? "outer" : "inner") + " lip " + place,
              Glyph.DOT,
              edge.get(place),
              Part.MOUTH,
              (f, p) -> {
                FaceOutlines o = Objects.requireNonNull(f.outlines());
                return f.withOutlines(
                    outer
                        ? o.withLips(FaceOutlines.bent(o.outerLips(), place, p), o.innerLips())
                        : o.withLips(o.outerLips(), FaceOutlines.bent(o.innerLips(), place, p)));
              });
        }
      }
    }

    private void add(
        String name,
        Glyph glyph,
        Point place,
        Part part,
        BiFunction<FaceMap, Point, FaceMap> move) {
      all.add(new Handle(index, name, glyph, place, part, move));
    }
  }
}
