package carezza.desktop.tool;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import javafx.scene.paint.Color;

import org.jspecify.annotations.Nullable;

import carezza.desktop.geometry.RepairHandles;
import carezza.desktop.state.SpotState;
import carezza.desktop.text.Texts;
import carezza.measure.Blemish;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.HealLayer.Piece;
import carezza.model.Mask;
import carezza.model.Point;
import carezza.model.RepairArea;
import carezza.model.Stroke;

/** Repairs and their sources, proposals, and how wide a spot is. */
final class RepairMarks {

  private static final Texts TEXTS = Texts.of("tools");

  private RepairMarks() {}

  /**
   * A fine ring on each repair; of the chosen ones, or one under the pointer, the source as well.
   */
  static void repairs(
      Pencil pencil, HealLayer layer, @Nullable Point pointer, Set<Integer> chosen) {
    for (int i = 0; i < layer.patches().size(); i++) {
      Patch patch = layer.patches().get(i);
      boolean held = chosen.contains(i);
      boolean shown =
          held || pointer != null && RepairHandles.holds(patch.area(), pointer, 6 / pencil.zoom());
      double weight = held ? 1.8 : 1;
      pencil.twice(
          Color.gray(0, 0.35),
          2 * weight,
          Color.gray(1, shown ? 0.95 : 0.5),
          0.8 * weight,
          () -> {
            area(pencil, patch.area(), p -> p, shown);
            if (shown) {
              patch.pieces().stream()
                  .filter(Piece::takesFromElsewhere)
                  .forEach(p -> source(pencil, p, held && chosen.size() == 1));
            }
          });
    }
  }

  private static void source(Pencil pencil, Piece piece, boolean handle) {
    pencil.line(List.of(piece.area().centre(), RepairHandles.sourceCentre(piece)), false);
    pencil.dashed(2, 3, () -> area(pencil, piece.area(), p -> RepairHandles.taken(piece, p), true));
    if (handle) {
      pencil.square(RepairHandles.turnHandle(piece), 4);
    }
  }

  /** The outline of a repair; of a stroke a ring at its start, and where asked its path. */
  private static void area(
      Pencil pencil, RepairArea area, UnaryOperator<Point> mapped, boolean whole) {
    switch (area) {
      case Stroke s -> {
        for (int i = 0; i < s.size(); i += Math.max(1, s.size() - 1)) {
          Point c = mapped.apply(new Point(s.x(i), s.y(i)));
          Point rim = mapped.apply(new Point(s.x(i) + s.radius(), s.y(i)));
          pencil.circle(c, s.size() == 1 || whole ? c.distance(rim) * pencil.zoom() : 2);
        }
        if (s.size() > 1) {
          pencil.line(places(s).stream().map(mapped).toList(), false);
        }
      }
      case Mask.Polygon p -> pencil.line(p.points().stream().map(mapped).toList(), true);
    }
  }

  private static List<Point> places(Stroke s) {
    List<Point> places = new ArrayList<>();
    for (int i = 0; i < s.size(); i++) {
      places.add(new Point(s.x(i), s.y(i)));
    }
    return places;
  }

  /**
   * A whole ring for what will pass, a broken one for a mark; the one to decide on with its name.
   */
  static void proposals(Pencil pencil, List<Blemish> all, Blemish current) {
    for (Blemish b : all) {
      Point at = new Point(b.x(), b.y());
      double r = Math.max(5, b.radius() * pencil.zoom());
      boolean now = b.equals(current);
      boolean mark = b.kind() == Blemish.Kind.MARK;
      pencil.twice(
          now ? 1.6 : 1,
          () -> {
            if (mark) {
              pencil.dashed(5, 4, () -> pencil.circle(at, r));
            } else {
              pencil.circle(at, r);
            }
          });
      if (now) {
        pencil.caption(
            mark
                ? TEXTS.get("repairMarks.a-mark-of-their-own-k")
                : TEXTS.get("repairMarks.will-pass-enter-heals-it-k"),
            at,
            r + 18);
      }
    }
  }

  /** Four short arcs around a spot: as wide as a brush for it would be. */
  static void hint(Pencil pencil, SpotState.Spot spot) {
    pencil.twice(
        1.2,
        () -> {
          for (int quarter = 0; quarter < 4; quarter++) {
            pencil.arc(spot.middle(), spot.radius() * pencil.zoom(), 25 + 90 * quarter, 40);
          }
        });
  }
}
