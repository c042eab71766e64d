package carezza.press;

import carezza.colour.Lab;

/** L*a*b* in sixteen bits as ICC version 2 has it: L* 0 … 100 is 0 … FF00h, a* and b* from −128. */
public final class LabCode {

  private static final double PER_L = 0xFF00 / 65535.0 / 100;
  private static final double PER_AB = 256 / 65535.0;

  private LabCode() {}

  /** As shares of 65535, clipped. */
  public static double[] packed(Lab lab) {
    return new double[] {
      Math.clamp(lab.l() * PER_L, 0, 1),
      Math.clamp((lab.a() + 128) * PER_AB, 0, 1),
      Math.clamp((lab.b() + 128) * PER_AB, 0, 1)
    };
  }

  /** Inverse of {@link #packed}. */
  public static Lab unpacked(double l, double a, double b) {
    return new Lab(l / PER_L, a / PER_AB - 128, b / PER_AB - 128);
  }
}
