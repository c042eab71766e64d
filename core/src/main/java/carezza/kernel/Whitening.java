package carezza.kernel;

import java.util.function.Consumer;

import carezza.colour.Lab;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.Masks;
import carezza.model.Mask;

/**
 * What teeth and the whites of the eyes have in common: a tone measured, colour scaled, light
 * lifted.
 */
final class Whitening {

  private Whitening() {}

  /**
   * Medians under the coverage.
   *
   * @param room for a lift
   */
  static Measurements.Tone tone(Picture lab, Plane coverage, double room) {
    double l = RobustStatistics.median(lab.first(), coverage);
    if (Double.isNaN(l)) {
      return Measurements.Tone.NOWHERE;
    }
    return new Measurements.Tone(
        true,
        l,
        RobustStatistics.median(lab.second(), coverage),
        RobustStatistics.median(lab.third(), coverage),
        room);
  }

  /** Medians of a layer's input under a mask. */
  static Measurements.Tone under(Mask mask, Probe probe) {
    Plane everywhere = Masks.render(mask, probe.site().whole(), probe.site(), probe.input());
    Area box = everywhere.covered();
    return tone(Lab.of(probe.input().crop(box)), everywhere.crop(box), 0);
  }

  /** Factor that takes {@code from} to {@code target}; 1 if it is there already. */
  static double factor(double from, double target) {
    return from > target ? target / from : 1;
  }

  /**
   * Scales a* and b* and lifts L*. The lift is full at the median, falls in proportion to the dark
   * below it, so gaps and shade stay, and to nothing at white above it.
   */
  static void apply(
      Picture lab,
      Plane where,
      double factorA,
      double factorB,
      Measurements.Tone tone,
      double lift) {
    float[] l = lab.first().values();
    float[] a = lab.second().values();
    float[] b = lab.third().values();
    double middle = Math.clamp(tone.l(), 1, 99);
    for (int i = 0; i < l.length; i++) {
      float w = where.values()[i];
      if (w == 0) {
        continue;
      }
      double share = l[i] < middle ? l[i] / middle : (100 - l[i]) / (100 - middle);
      l[i] += (float) (w * lift * Math.clamp(share, 0, 1));
      a[i] *= (float) (1 + w * (factorA - 1));
      b[i] *= (float) (1 + w * (factorB - 1));
    }
  }

  static Picture edit(Picture working, Consumer<Picture> change) {
    Picture lab = Lab.of(working);
    change.accept(lab);
    return Lab.toWorking(lab);
  }
}
