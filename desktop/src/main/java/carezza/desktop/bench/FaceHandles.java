package carezza.desktop.bench;

import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;

import carezza.model.FaceMap;
import carezza.model.FaceMap.FaceOval;
import carezza.model.Point;

/** The handles of a face map: the oval's middle and two rims, both pupils, both corners of the mouth. */
final class FaceHandles {

  private FaceHandles() {}

  /** One handle: where it stands, and the map when it is dragged somewhere. */
  enum Handle {
    LEFT_PUPIL(FaceMap::leftPupil, FaceMap::withLeftPupil),
    RIGHT_PUPIL(FaceMap::rightPupil, FaceMap::withRightPupil),
    LEFT_MOUTH(FaceMap::leftMouth, (f, p) -> f.withMouth(p, f.rightMouth())),
    RIGHT_MOUTH(FaceMap::rightMouth, (f, p) -> f.withMouth(f.leftMouth(), p)),
    SIDE(
        f -> new Point(f.oval().x() + f.oval().radiusX(), f.oval().y()),
        (f, p) ->
            f.withOval(
                new FaceOval(
                    f.oval().x(),
                    f.oval().y(),
                    Math.max(10, Math.abs(p.x() - f.oval().x())),
                    f.oval().radiusY(),
                    f.oval().angle()))),
    CHIN(
        f -> new Point(f.oval().x(), f.oval().y() + f.oval().radiusY()),
        (f, p) ->
            f.withOval(
                new FaceOval(
                    f.oval().x(),
                    f.oval().y(),
                    f.oval().radiusX(),
                    Math.max(10, Math.abs(p.y() - f.oval().y())),
                    f.oval().angle()))),
    MIDDLE(
        f -> new Point(f.oval().x(), f.oval().y()),
        (f, p) ->
            f.withOval(
                new FaceOval(
                    p.x(), p.y(), f.oval().radiusX(), f.oval().radiusY(), f.oval().angle())));

    private final Function<FaceMap, Point> place;
    private final BiFunction<FaceMap, Point, FaceMap> move;

    Handle(Function<FaceMap, Point> place, BiFunction<FaceMap, Point, FaceMap> move) {
      this.place = place;
      this.move = move;
    }

    Point place(FaceMap faces) {
      return place.apply(faces);
    }

    /** The map with this handle elsewhere; unchanged where that would make no face. */
    FaceMap moved(FaceMap faces, Point to) {
      try {
        return move.apply(faces, to);
      } catch (IllegalArgumentException e) {
        return faces;
      }
    }
  }

  /** The nearest handle within reach, or null. */
  static Handle near(FaceMap faces, Point at, double reach) {
    if (faces == null) {
      return null;
    }
    return List.of(Handle.values()).stream()
        .filter(h -> h.place(faces).distance(at) <= reach)
        .min(java.util.Comparator.comparingDouble(h -> h.place(faces).distance(at)))
        .orElse(null);
  }
}
