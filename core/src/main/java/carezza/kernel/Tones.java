package carezza.kernel;

import carezza.function.LookupTable;
import carezza.model.Tint;

/** Tints of the tones as a*, b* over L*. */
final class Tones {

  /** L* between which shadows pass into midtones, and midtones into highlights. */
  private static final float DARK = 15;

  private static final float NOT_DARK = 55;
  private static final float NOT_LIGHT = 45;
  private static final float LIGHT = 85;

  private Tones() {}

  /** a* and b* over L*; none at black and at white. */
  static LookupTable[] of(Tint darks, Tint middles, Tint lights) {
    LookupTable[] out = new LookupTable[2];
    for (int c = 0; c < 2; c++) {
      int coordinate = c;
      out[c] =
          new LookupTable(
              v -> {
                float l = (float) v;
                double dark = 1 - LabPixels.rise(l, DARK, NOT_DARK);
                double light = LabPixels.rise(l, NOT_LIGHT, LIGHT);
                double middle = Math.max(0, 1 - dark - light);
                double ends = LabPixels.rise(l, 0, 8) * (1 - LabPixels.rise(l, 96, 100));
                return ends
                    * (dark * part(darks, coordinate)
                        + middle * part(middles, coordinate)
                        + light * part(lights, coordinate));
              },
              0,
              100,
              8);
    }
    return out;
  }

  private static double part(Tint tint, int coordinate) {
    double hue = Math.toRadians(tint.hue());
    return tint.strength() * (coordinate == 0 ? Math.cos(hue) : Math.sin(hue));
  }
}
