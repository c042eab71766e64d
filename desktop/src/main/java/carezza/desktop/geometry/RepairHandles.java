package carezza.desktop.geometry;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

import org.jspecify.annotations.Nullable;

import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.Source;
import carezza.model.Mask.Polygon;
import carezza.model.Point;
import carezza.model.RepairArea;
import carezza.model.Stroke;

/** Where repairs and their sources are on the picture, and what dragging them does. */
public final class RepairHandles {

  private RepairHandles() {}

  /** What of a repair is under the pointer. */
  enum Part {
    AREA,
    SOURCE,
    TURN
  }

  /**
   * A repair in the hand.
   *
   * @param piece which of its pieces
   */
  public record Grip(Part part, int piece, Patch patch, Point from) {

    /** The repair once it was dragged to a place. */
    public Patch dragged(Point to) {
      double dx = to.x() - from.x();
      double dy = to.y() - from.y();
      return switch (part) {
        case AREA -> patch.withArea(moved(patch.area(), dx, dy));
        case SOURCE -> with(source().at(source().dx() + dx, source().dy() + dy));
        case TURN -> with(turned(source(), to));
      };
    }

    private Source source() {
      return of(patch.pieces().get(piece));
    }

    private Source turned(Source was, Point to) {
      Point centre = sourceCentre(patch.pieces().get(piece));
      double turn = angle(centre, to) - angle(centre, from);
      double grown = centre.distance(to) / Math.max(1, centre.distance(from));
      return new Source(
          was.dx(),
          was.dy(),
          Math.IEEEremainder(was.angle() + Math.toDegrees(turn), 360),
          Math.clamp(was.scale() * grown, 0.1, 10),
          was.mirrored());
    }

    private Patch with(Source source) {
      List<Source> sources = new ArrayList<>(patch.sources());
      sources.set(piece, source);
      return patch.withSources(sources);
    }
  }

  private static double angle(Point centre, Point p) {
    return Math.atan2(p.y() - centre.y(), p.x() - centre.x());
  }

  static RepairArea moved(RepairArea area, double dx, double dy) {
    return switch (area) {
      case Stroke s -> s.moved(dx, dy);
      case Polygon p ->
          new Polygon(p.points().stream().map(q -> q.plus(dx, dy)).toList(), p.feather());
    };
  }

  /** The source of a piece that takes from somewhere. */
  private static Source of(Piece piece) {
    return Objects.requireNonNull(piece.source());
  }

  public static Point sourceCentre(Piece piece) {
    Source s = of(piece);
    return piece.area().centre().plus(s.dx(), s.dy());
  }

  /** A place of a repair's piece as its source has it. */
  public static Point taken(Piece piece, Point place) {
    Point c = piece.area().centre();
    Source s = of(piece);
    double x = (place.x() - c.x()) * (s.mirrored() ? -1 : 1) * s.scale();
    double y = (place.y() - c.y()) * s.scale();
    double a = Math.toRadians(s.angle());
    return c.plus(
        s.dx() + x * Math.cos(a) - y * Math.sin(a), s.dy() + x * Math.sin(a) + y * Math.cos(a));
  }

  /**
   * The handle that turns and scales a source: to the right of the repair, as the source has it.
   */
  public static Point turnHandle(Piece piece) {
    return taken(piece, piece.area().centre().plus(1.4 * piece.area().radius(), 0));
  }

  /** What of a chosen repair is at a place, or null. */
  public static @Nullable Grip grip(Patch patch, Point at, double reach) {
    List<Piece> pieces = patch.pieces();
    for (int i = 0; i < pieces.size(); i++) {
      Piece piece = pieces.get(i);
      // Far out, handles lie close together: the nearest is meant.
      if (piece.takesFromElsewhere() && turns(piece, at, reach)) {
        return new Grip(Part.TURN, i, patch, at);
      }
    }
    for (int i = 0; i < pieces.size(); i++) {
      Piece piece = pieces.get(i);
      if (piece.takesFromElsewhere()
          && sourceCentre(piece).distance(at)
              <= Math.max(reach, of(piece).scale() * piece.area().radius())) {
        return new Grip(Part.SOURCE, i, patch, at);
      }
    }
    return holds(patch.area(), at, reach) ? new Grip(Part.AREA, 0, patch, at) : null;
  }

  private static boolean turns(Piece piece, Point at, double reach) {
    double off = turnHandle(piece).distance(at);
    return off <= reach
        && off < piece.area().centre().distance(at)
        && off < sourceCentre(piece).distance(at);
  }

  /** Whether a place lies in a repair, or within a reach of a small one. */
  public static boolean holds(RepairArea area, Point place, double least) {
    return switch (area) {
      case Stroke s -> {
        double reach = Math.max(least, s.radius());
        boolean near = false;
        for (int i = 0; i < s.size() && !near; i++) {
          int before = Math.max(0, i - 1);
          near = away(place, s.x(before), s.y(before), s.x(i), s.y(i)) <= reach;
        }
        yield near;
      }
      case Polygon p -> inside(p.points(), place);
    };
  }

  private static double away(Point p, double x0, double y0, double x1, double y1) {
    double dx = x1 - x0;
    double dy = y1 - y0;
    double l = dx * dx + dy * dy;
    double t = l == 0 ? 0 : Math.clamp(((p.x() - x0) * dx + (p.y() - y0) * dy) / l, 0, 1);
    return Math.hypot(p.x() - x0 - t * dx, p.y() - y0 - t * dy);
  }

  /** Even-odd. */
  public static boolean inside(List<Point> outline, Point p) {
    boolean in = false;
    for (int i = 0; i < outline.size(); i++) {
      Point a = outline.get(i);
      Point b = outline.get((i + 1) % outline.size());
      if (a.y() > p.y() != b.y() > p.y()
          && p.x() < a.x() + (b.x() - a.x()) * (p.y() - a.y()) / (b.y() - a.y())) {
        in = !in;
      }
    }
    return in;
  }
}
