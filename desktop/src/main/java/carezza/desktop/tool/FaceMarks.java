package carezza.desktop.tool;

import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.desktop.geometry.FaceHandles;
import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.FaceOutlines;
import carezza.model.Point;
import carezza.model.Project;

/** Faces with their outlines and handles, and a face that is being placed. */
final class FaceMarks {

  private FaceMarks() {}

  static void faces(Pencil pencil, Project project) {
    pencil.twice(
        () -> {
          for (FaceMap face : project.allFaces()) {
            FaceOval o = face.oval();
            pencil.oval(new Point(o.x(), o.y()), o.radiusX(), o.radiusY(), o.angle());
            if (face.outlines() != null) {
              outlines(pencil, face.outlines());
            }
          }
          for (FaceHandles.Handle handle : FaceHandles.of(project)) {
            pencil.handle(handle.glyph(), handle.place());
          }
        });
  }

  private static void outlines(Pencil pencil, FaceOutlines o) {
    for (List<Point> outline :
        List.of(
            o.outerLips(), o.innerLips(), o.leftEye(), o.rightEye(), o.leftBrow(), o.rightBrow())) {
      pencil.line(outline, true);
    }
    for (FaceOutlines.Circle iris : List.of(o.leftIris(), o.rightIris())) {
      pencil.circle(iris.middle(), iris.radius() * pencil.zoom());
    }
  }

  /** Two corners of the oval, then pupils, then the corners of the mouth. */
  static void placing(Pencil pencil, List<Point> points, @Nullable Point pointer) {
    Point corner = points.size() > 1 ? points.get(1) : pointer;
    pencil.twice(
        () -> {
          if (!points.isEmpty() && corner != null) {
            Point a = points.getFirst();
            pencil.oval(
                new Point((a.x() + corner.x()) / 2, (a.y() + corner.y()) / 2),
                Math.abs(a.x() - corner.x()) / 2,
                Math.abs(a.y() - corner.y()) / 2,
                0);
          }
          for (int i = 2; i < points.size(); i++) {
            pencil.handle(
                i < 4 ? FaceHandles.Glyph.ROUND : FaceHandles.Glyph.DIAMOND, points.get(i));
          }
        });
  }
}
