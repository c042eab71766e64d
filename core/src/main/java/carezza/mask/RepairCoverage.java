package carezza.mask;

import carezza.filter.DiscMorphology;
import carezza.image.Area;
import carezza.image.Plane;
import carezza.model.Mask.Polygon;
import carezza.model.RepairArea;
import carezza.model.Stroke;

/** Coverage of the areas of repairs, at any level. */
public final class RepairCoverage {

  private RepairCoverage() {}

  /** Over the part of {@code within} that the area reaches; {@code within} is of the level. */
  public static Plane of(RepairArea area, Area within, double scale) {
    return switch (area) {
      case Stroke s -> StrokeCoverage.of(s, within, scale);
      case Polygon p -> {
        Area reached =
            Area.around(
                    p.bounds().x() * scale,
                    p.bounds().y() * scale,
                    p.bounds().right() * scale,
                    p.bounds().bottom() * scale)
                .grow(1)
                .intersect(within);
        yield Masks.blurred(
            a -> PolygonCoverage.of(p.points(), a, scale), reached, p.feather() * scale);
      }
    };
  }

  /** The area with a margin around it, hard-edged: where a repair may lean on. */
  public static Plane grown(RepairArea area, double margin, Area within, double scale) {
    if (area instanceof Stroke s) {
      return StrokeCoverage.of(
          new Stroke(s.packed(), s.radius() + margin, 0, 1, false), within, scale);
    }
    double r = margin * scale;
    Area wide = within.grow(DiscMorphology.reach(r));
    Plane own = Plane.of(wide);
    own.copyFrom(of(area, wide, scale));
    return DiscMorphology.of(own, r, within);
  }

  /** Pixels of a level that the area can reach. */
  public static Area bounds(RepairArea area, int level) {
    return area instanceof Stroke s
        ? StrokeCoverage.bounds(s, level)
        : area.bounds().atLevel(level).grow(1);
  }

  /** Laid over what is covered already. */
  public static void apply(RepairArea area, Plane coverage, double scale) {
    Plane own = of(area, coverage.area(), scale);
    Area a = own.area();
    for (int y = a.y(); y < a.bottom(); y++) {
      for (int x = a.x(); x < a.right(); x++) {
        int i = coverage.index(x, y);
        coverage.values()[i] += (1 - coverage.values()[i]) * own.at(x, y);
      }
    }
  }
}
