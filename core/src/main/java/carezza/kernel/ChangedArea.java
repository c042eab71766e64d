package carezza.kernel;

import java.util.List;
import java.util.Optional;

import carezza.image.Area;
import carezza.mask.Masks;
import carezza.mask.StrokeCoverage;
import carezza.model.DodgeBurnLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Patch;
import carezza.model.Layer;
import carezza.model.PaintLayer;
import carezza.model.ShapeLayer;
import carezza.model.ShapeLayer.Nudge;
import carezza.model.Stroke;

/** Where two states of a layer can differ in what they do to the same input. */
public final class ChangedArea {

  private ChangedArea() {}

  /**
   * The area of the photograph outside of which both do the same; nothing if they may differ
   * anywhere.
   */
  public static Optional<Area> between(Layer was, Layer is) {
    boolean ownMask = is instanceof ShapeLayer && !was.attributes().equals(is.attributes());
    if (ownMask) {
      return Optional.empty();
    }
    Optional<Area> masks = Masks.difference(was.attributes().mask(), is.attributes().mask());
    if (masks.isEmpty()
        || !is.attributes().withMask(was.attributes().mask()).equals(was.attributes())) {
      return Optional.empty();
    }
    Layer level = is.with(was.attributes());
    if (level.equals(was)) {
      return masks;
    }
    return inside(was, level).map(masks.get()::union);
  }

  private static Optional<Area> inside(Layer was, Layer is) {
    if (was instanceof DodgeBurnLayer a && is instanceof DodgeBurnLayer b) {
      return b.withMasks(a.dodgeMask(), a.burnMask()).equals(a)
          ? Masks.difference(a.dodgeMask(), b.dodgeMask())
              .flatMap(d -> Masks.difference(a.burnMask(), b.burnMask()).map(d::union))
          : Optional.empty();
    }
    if (was instanceof HealLayer a && is instanceof HealLayer b) {
      return b.withPatches(a.patches()).equals(a)
          ? Optional.of(between(a.patches(), b.patches()))
          : Optional.empty();
    }
    if (was instanceof PaintLayer a && is instanceof PaintLayer b) {
      return b.withStrokes(a.strokes()).equals(a)
          ? Optional.of(StrokeCoverage.difference(a.strokes(), b.strokes()))
          : Optional.empty();
    }
    if (was instanceof ShapeLayer a && is instanceof ShapeLayer b) {
      return a.keepsTheWhole()
              && b.withNudges(a.nudges()).equals(a)
              && sameHands(a.nudges(), b.nudges())
          ? Optional.of(StrokeCoverage.difference(strokes(a.nudges()), strokes(b.nudges())))
          : Optional.empty();
    }
    return Optional.empty();
  }

  private static boolean sameHands(List<Nudge> was, List<Nudge> is) {
    for (int i = 0; i < Math.min(was.size(), is.size()); i++) {
      if (was.get(i).hand() != is.get(i).hand()) {
        return false;
      }
    }
    return true;
  }

  private static List<Stroke> strokes(List<Nudge> nudges) {
    return nudges.stream().map(Nudge::stroke).toList();
  }

  private static Area between(List<Patch> was, List<Patch> is) {
    int same = 0;
    while (same < was.size() && same < is.size() && was.get(same).equals(is.get(same))) {
      same++;
    }
    int last = 0;
    int shorter = Math.min(was.size(), is.size());
    while (last < shorter - same
        && was.get(was.size() - 1 - last).equals(is.get(is.size() - 1 - last))) {
      last++;
    }
    Area all = Area.EMPTY;
    for (List<Patch> patches : List.of(was, is)) {
      for (Patch p : patches.subList(same, patches.size() - last)) {
        // A patch also changes what its neighbours' rims lean on.
        all = all.union(HealKernel.surroundings(p.area()));
      }
    }
    return all;
  }
}
