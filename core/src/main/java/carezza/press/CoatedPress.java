package carezza.press;

import carezza.colour.Lab;
import carezza.colour.RgbSpace;

/**
 * Offset printing on coated paper as the Yule–Nielsen modified Neugebauer model has it: XYZ to the
 * power 1/n is the mean of the sixteen overprints, weighted by the areas they cover (Demichel). The
 * solids are those that ISO 12647-2 aims at for coated paper; black overprints are darker by a
 * common share. Coverages are effective, dot gain included; colours are relative to the paper.
 */
final class CoatedPress {

  /** Inks in their order: cyan, magenta, yellow, black. */
  static final int INKS = 4;

  /** Yule–Nielsen factor of a fine screen on coated paper. */
  private static final double N = 1.7;

  /** Rise of the mid-tone by dot gain, nominal to effective coverage. */
  private static final double GAIN = 0.14;

  /** L*a*b* of paper, C, M, CM, Y, CY, MY, CMY; bit 0 is cyan, bit 1 magenta, bit 2 yellow. */
  private static final double[][] SOLIDS = {
    {95, 0, -2},
    {55, -37, -50},
    {48, 74, -3},
    {24, 22, -46},
    {89, -5, 93},
    {50, -65, 27},
    {47, 68, 48},
    {23, 0, 0}
  };

  private static final double BLACK_LIGHTNESS = 16;

  /**
   * Of the light that black lets through, what is left on other inks beside their own absorption.
   */
  private static final double UNDER_BLACK = 0.7;

  /** XYZ over paper to the power 1/N, by overprint; bit 3 is black. */
  private static final double[][] OVERPRINTS = overprints();

  private CoatedPress() {}

  private static double[][] overprints() {
    double[] paper = xyz(SOLIDS[0]);
    double[] black = xyz(new double[] {BLACK_LIGHTNESS, 0, 0});
    double[][] out = new double[1 << INKS][3];
    for (int i = 0; i < out.length; i++) {
      double[] inks = xyz(SOLIDS[i & 7]);
      for (int c = 0; c < 3; c++) {
        double v = inks[c] / paper[c];
        if (i >= 8) {
          v *= black[c] / paper[c] * ((i & 7) == 0 ? 1 : UNDER_BLACK);
        }
        out[i][c] = Math.pow(v, 1 / N);
      }
    }
    return out;
  }

  private static double[] xyz(double[] lab) {
    double fy = (lab[0] + 16) / 116;
    double[] white = RgbSpace.d50();
    double[] f = {fy + lab[1] / 500, fy, fy - lab[2] / 200};
    double[] out = new double[3];
    for (int c = 0; c < 3; c++) {
      out[c] = white[c] * Lab.cube(f[c]);
    }
    return out;
  }

  /** XYZ of the unprinted paper, D50. */
  static double[] paper() {
    return xyz(SOLIDS[0]);
  }

  /** Effective coverage of a nominal one, 0 … 1. */
  static double gained(double nominal) {
    return nominal + GAIN * 4 * nominal * (1 - nominal);
  }

  /** Nominal coverage of an effective one; inverse of {@link #gained}. */
  static double nominal(double effective) {
    double b = 1 + 4 * GAIN;
    return (b - Math.sqrt(b * b - 16 * GAIN * effective)) / (8 * GAIN);
  }

  /** L*a*b* over the paper of effective coverages. */
  static Lab lab(double[] inks) {
    double x = 0;
    double y = 0;
    double z = 0;
    for (int i = 0; i < OVERPRINTS.length; i++) {
      double w = 1;
      for (int k = 0; k < INKS; k++) {
        w *= (i >> k & 1) == 1 ? inks[k] : 1 - inks[k];
      }
      x += w * OVERPRINTS[i][0];
      y += w * OVERPRINTS[i][1];
      z += w * OVERPRINTS[i][2];
    }
    double fx = Lab.root(Math.pow(x, N));
    double fy = Lab.root(Math.pow(y, N));
    double fz = Lab.root(Math.pow(z, N));
    return new Lab(116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz));
  }
}
