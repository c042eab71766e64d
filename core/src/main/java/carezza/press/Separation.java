package carezza.press;

import carezza.colour.Lab;

/**
 * Inks for a colour: the least squares of the colour's difference, of the distance from the black
 * that is preferred there, and of ink above the limit, by Levenberg and Marquardt's method within 0
 * … 1. The preferred black grows with depth and less in strong colours. A colour that the press
 * cannot print becomes the nearest one that it can.
 */
final class Separation {

  /** Most ink on one place, as a sum of coverages. */
  static final double INK_LIMIT = 3.2;

  private static final double BLACK_WEIGHT = 5;
  private static final double INK_WEIGHT = 60;

  /** L* below which black begins, and chroma at which little of it is left. */
  private static final double BLACK_FROM = 72;

  private static final double COLOURED = 60;
  private static final double LEFT_IN_COLOUR = 0.25;
  private static final int STEPS = 40;
  private static final double NUDGE = 1e-4;

  private Separation() {}

  private static double preferredBlack(Lab colour) {
    double deep = Math.clamp((BLACK_FROM - colour.l()) / BLACK_FROM, 0, 1);
    double strong = Math.min(1, colour.chroma() / COLOURED);
    return Math.pow(deep, 1.6) * (1 - strong * (1 - LEFT_IN_COLOUR));
  }

  /** Effective coverages for a colour over the paper. */
  static double[] of(Lab colour) {
    double black = preferredBlack(colour);
    double start = Math.clamp((100 - colour.l()) / 130, 0.02, 0.9);
    double[] inks = {start, start, start, Math.max(0.01, black)};
    double[] rest = residuals(inks, colour, black);
    double error = norm(rest);
    double damping = 1;
    for (int step = 0; step < STEPS && damping < 1e8; step++) {
      double[] moved = moved(inks, rest, colour, black, damping);
      double[] left = residuals(moved, colour, black);
      double now = norm(left);
      if (now < error) {
        double gain = error - now;
        inks = moved;
        rest = left;
        error = now;
        damping *= 0.3;
        if (gain < 1e-9) {
          break;
        }
      } else {
        damping *= 6;
      }
    }
    return inks;
  }

  private static double[] residuals(double[] inks, Lab colour, double black) {
    Lab printed = CoatedPress.lab(inks);
    double total = inks[0] + inks[1] + inks[2] + inks[3];
    return new double[] {
      printed.l() - colour.l(),
      printed.a() - colour.a(),
      printed.b() - colour.b(),
      BLACK_WEIGHT * (inks[3] - black),
      INK_WEIGHT * Math.max(0, total - INK_LIMIT)
    };
  }

  private static double norm(double[] v) {
    double sum = 0;
    for (double x : v) {
      sum += x * x;
    }
    return sum;
  }

  private static double[] moved(
      double[] inks, double[] rest, Lab colour, double black, double damping) {
    int n = inks.length;
    double[][] jacobian = new double[n][];
    for (int k = 0; k < n; k++) {
      double[] near = inks.clone();
      double nudge = near[k] > 0.5 ? -NUDGE : NUDGE;
      near[k] += nudge;
      jacobian[k] = residuals(near, colour, black);
      for (int r = 0; r < rest.length; r++) {
        jacobian[k][r] = (jacobian[k][r] - rest[r]) / nudge;
      }
    }
    double[][] a = new double[n][n + 1];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < n; j++) {
        a[i][j] = dot(jacobian[i], jacobian[j]) + (i == j ? damping : 0);
      }
      a[i][n] = -dot(jacobian[i], rest);
    }
    double[] step = solved(a);
    double[] out = new double[n];
    for (int k = 0; k < n; k++) {
      out[k] = Math.clamp(inks[k] + step[k], 0, 1);
    }
    return out;
  }

  private static double dot(double[] a, double[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += a[i] * b[i];
    }
    return sum;
  }

  /** Gauss's elimination; the damped matrix is positive definite, so it needs no pivots. */
  private static double[] solved(double[][] a) {
    int n = a.length;
    for (int p = 0; p < n; p++) {
      for (int r = p + 1; r < n; r++) {
        double f = a[r][p] / a[p][p];
        for (int c = p; c <= n; c++) {
          a[r][c] -= f * a[p][c];
        }
      }
    }
    double[] x = new double[n];
    for (int r = n - 1; r >= 0; r--) {
      double sum = a[r][n];
      for (int c = r + 1; c < n; c++) {
        sum -= a[r][c] * x[c];
      }
      x[r] = sum / a[r][r];
    }
    return x;
  }
}
