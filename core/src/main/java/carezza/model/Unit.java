package carezza.model;

import java.util.Locale;

/** What a number of a layer is in, and how it is written. */
public enum Unit {
  /** A share of one, written in percent. */
  SHARE(100, "%s %%"),
  /** Factors of two in light. */
  STOPS(1, "%s stops"),
  /** Of the light, in kelvin. */
  KELVIN(1, "%s K"),
  /** 0.001 off the Planckian locus in CIE 1960 u, v. */
  DUV(1, "%s"),
  /** A lightness, CIE L*. */
  LIGHTNESS(1, "L* %s"),
  /** A difference of lightness. */
  LIGHTNESS_CHANGE(1, "%s L*"),
  /** A chroma, CIE C*ab. */
  CHROMA(1, "C* %s"),
  /** A coordinate b*. */
  YELLOW(1, "b* %s"),
  /** An angle of hue in CIE LCh(ab), or a turn of it. */
  DEGREES(1, "%s°"),
  /** On each side of an angle. */
  DEGREES_AROUND(1, "± %s°"),
  /** A plain number. */
  NUMBER(1, "%s"),
  /** Pixels of the photograph. */
  PIXELS(1, "%s px");

  private final double factor;
  private final String pattern;

  Unit(double factor, String pattern) {
    this.factor = factor;
    this.pattern = pattern;
  }

  /** From the number as layers and files have it to what is shown. */
  public double factor() {
    return factor;
  }

  /**
   * A shown value with its sign.
   *
   * @param signed with a plus where it is above 0
   */
  public String written(double shown, int decimals, boolean signed) {
    return pattern.formatted(
        String.format(Locale.ROOT, (signed ? "%+." : "%.") + decimals + "f", shown));
  }
}
