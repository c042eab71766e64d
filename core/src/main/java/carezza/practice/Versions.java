package carezza.practice;

import org.jspecify.annotations.Nullable;

import carezza.colour.DeltaE2000;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * One picture as it was, as it was made and as it should be; L*a*b* over one area. Differences are
 * seen at a size: what is finer does not count in them.
 */
record Versions(Picture before, Picture after, Picture truth) {

  /** Change of colour that counts, in ΔE00. */
  private static final double SEEN = 2;

  /**
   * Mean ΔE00 to the truth as it was.
   *
   * @param place weights over the halved area
   */
  double errorBefore(Plane place, int levels) {
    return DeltaE2000.mean(seen(before, levels), seen(truth, levels), place);
  }

  /** As above, as it was made. */
  double errorAfter(Plane place, int levels) {
    return DeltaE2000.mean(seen(after, levels), seen(truth, levels), place);
  }

  /** Mean ΔE00 of what was done. */
  double change(Plane place, int levels) {
    return DeltaE2000.mean(seen(after, levels), seen(before, levels), place);
  }

  private static Picture seen(Picture lab, int levels) {
    return lab.map(p -> Resampling.reduce(p, levels));
  }

  /** Share of the person outside a place that looks other than before. */
  double changedBeside(Plane subject, Plane place) {
    Plane beside = Resampling.reduce(subject, Score.MAP_LEVELS);
    Plane own = Resampling.reduce(place, Score.MAP_LEVELS);
    Picture was = seen(before, Score.MAP_LEVELS);
    Picture is = seen(after, Score.MAP_LEVELS);
    double all = 0;
    double touched = 0;
    for (int i = 0; i < beside.values().length; i++) {
      if (beside.values()[i] > 0.99f && own.values()[i] < 0.02f) {
        all++;
        touched += DeltaE2000.at(is, was, i) > SEEN ? 1 : 0;
      }
    }
    return touched / Math.max(1, all);
  }

  /** Whether a mark is hardly to be seen any more. */
  boolean lost(Spot mark) {
    return contrast(after, mark) < 0.5 * contrast(truth, mark);
  }

  /** How much darker a mark is than the skin about it, in L*. */
  private static double contrast(Picture lab, Spot mark) {
    double in = 0;
    double inWeight = 0;
    double out = 0;
    double outWeight = 0;
    int reach = (int) Math.ceil(2 * mark.radius());
    Area box =
        new Area((int) mark.x() - reach, (int) mark.y() - reach, 2 * reach + 1, 2 * reach + 1)
            .intersect(lab.area());
    for (int y = box.y(); y < box.bottom(); y++) {
      for (int x = box.x(); x < box.right(); x++) {
        double r = Math.hypot(x + 0.5 - mark.x(), y + 0.5 - mark.y()) / mark.radius();
        if (r < 0.6) {
          in += lab.first().at(x, y);
          inWeight++;
        } else if (r > 1.4 && r < 2) {
          out += lab.first().at(x, y);
          outWeight++;
        }
      }
    }
    return out / Math.max(1, outWeight) - in / Math.max(1, inWeight);
  }

  /**
   * Where something was missed or overdone.
   *
   * @param fault where something was to be done; null where there is no one truth
   * @param lost what is gone, over the halved area
   */
  Score.Map map(@Nullable Plane fault, Plane lost) {
    Plane missed = Plane.of(lost.area());
    Plane overdone = Plane.of(lost.area());
    if (fault != null) {
      Picture wanted = seen(truth, Score.MAP_LEVELS);
      Picture was = seen(before, Score.MAP_LEVELS);
      Picture is = seen(after, Score.MAP_LEVELS);
      Plane place = Resampling.reduce(fault, Score.MAP_LEVELS);
      for (int i = 0; i < missed.values().length; i++) {
        double off = DeltaE2000.at(is, wanted, i);
        double wasOff = DeltaE2000.at(was, wanted, i);
        if (place.values()[i] > 0.2f) {
          missed.values()[i] = strength(Math.min(off, wasOff));
        }
        overdone.values()[i] = strength(off - wasOff);
      }
    }
    return new Score.Map(missed, overdone, lost);
  }

  /** How clearly a difference in ΔE00 is shown. */
  private static float strength(double difference) {
    return (float) Math.clamp(difference / 4 - 0.25, 0, 1);
  }
}
