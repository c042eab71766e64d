package carezza.codec;

import java.util.Arrays;

import carezza.colour.Lab;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * What becomes of a picture's colours in a file's colour space.
 *
 * @param outside share of the pixels whose colour the space does not hold, 0 … 1
 * @param clipped share of the pixels that are full in a channel of light, or bare paper, 0 … 1
 * @param mostInk largest sum of inks at a place, in per cent; 0 for spaces of light
 */
public record OutputCheck(double outside, double clipped, double mostInk) {

  /** ΔE*ab there and back from which a colour counts as another. */
  static final double SEEN = 3;

  /** Encoded value from which a channel is full. */
  private static final float FULL = 0.998f;

  /** Sum of inks below which paper is bare: the smallest dots do not print. */
  private static final double BARE = 0.03;

  /** Share of the places that the most ink is read without: single pixels print nothing. */
  private static final double SPARED = 1e-3;

  public static OutputCheck of(Picture working, OutputColour colour) {
    Picture back = colour.profile().proof(working, colour.intent(), colour.blackPoint());
    Picture is = Lab.of(working);
    Picture becomes = Lab.of(back);
    Plane[] encoded = colour.encoded(working);
    boolean inks = colour.profile().inks();
    int n = working.area().pixels();
    double[] sums = new double[n];
    int outside = 0;
    int clipped = 0;
    for (int i = 0; i < n; i++) {
      outside += distance(is, becomes, i) > SEEN ? 1 : 0;
      boolean full = false;
      for (Plane plane : encoded) {
        sums[i] += Math.max(0, plane.values()[i]);
        full |= !inks && plane.values()[i] >= FULL;
      }
      clipped += full || inks && sums[i] < BARE ? 1 : 0;
    }
    return new OutputCheck((double) outside / n, (double) clipped / n, inks ? 100 * most(sums) : 0);
  }

  /** ΔE*ab of a pixel. */
  static double distance(Picture is, Picture becomes, int i) {
    double sum = 0;
    for (int c = 0; c < 3; c++) {
      double d = is.plane(c).values()[i] - becomes.plane(c).values()[i];
      sum += d * d;
    }
    return Math.sqrt(sum);
  }

  private static double most(double[] sums) {
    double[] sorted = sums.clone();
    Arrays.sort(sorted);
    return sorted[(int) ((1 - SPARED) * (sorted.length - 1))];
  }
}
