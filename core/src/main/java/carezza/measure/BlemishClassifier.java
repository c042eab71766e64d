package carezza.measure;

import java.util.List;

/**
 * Tells a blemish from what merely is a little red, by a logistic regression over {@link
 * BlemishFeatures}. The weights were fitted to the painted truth of the made-up portraits; {@code
 * docs/quality.md} says by which command, and how well weights that were fitted to five of them do
 * on the sixth.
 */
final class BlemishClassifier {

  /** In the order of {@link BlemishFeatures#row}. */
  private static final List<Double> WEIGHTS =
      List.of(7.97, 3.36, -5.44, -7.75, 2.29, 1.62, -1.54, 4.38);

  private static final double BIAS = -14.63;

  /** Log odds from which a place is proposed, at a sensitivity of 1. */
  private static final double LIMIT = -1.25;

  /**
   * What the log odds may be less by, for an e-fold of sensitivity: twice as much takes an eighth
   * of the odds.
   */
  private static final double PER_SENSITIVITY = 3;

  private BlemishClassifier() {}

  /** Log odds that this is a blemish. */
  static double odds(BlemishFeatures traits) {
    double sum = BIAS;
    List<Double> row = traits.row();
    for (int i = 0; i < row.size(); i++) {
      sum += WEIGHTS.get(i) * row.get(i);
    }
    return sum;
  }

  /** Log odds from which a place is proposed. */
  static double limit(double sensitivity) {
    return LIMIT - PER_SENSITIVITY * Math.log(sensitivity);
  }

  static double probability(double odds) {
    return 1 / (1 + Math.exp(-odds));
  }
}
