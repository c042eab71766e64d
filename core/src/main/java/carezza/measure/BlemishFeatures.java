package carezza.measure;

import java.util.List;

/**
 * What a place that is redder than its surroundings looks like. {@link BlemishClassifier} weighs
 * it.
 *
 * @param spreads natural logarithm of how many spreads of this skin's redness it stands out by
 * @param roundness lesser curvature of its redness over the greater, 0 … 1: 1 round, 0 a line
 * @param unlikeBlood square of how far its blue light differs from what blood takes, as a share of
 *     its redness
 * @param darkness of the place against the face, as optical density
 * @param grain natural logarithm of its fine texture against that of its surroundings
 * @param inside share of its surroundings that is sure skin
 * @param unrest natural logarithm of how many spreads redness varies by around it
 * @param shade of its surroundings against the face, as optical density of red light
 */
public record BlemishFeatures(
    double spreads,
    double roundness,
    double unlikeBlood,
    double darkness,
    double grain,
    double inside,
    double unrest,
    double shade) {

  /** As a row of numbers, in the order of the components. */
  public List<Double> row() {
    return List.of(spreads, roundness, unlikeBlood, darkness, grain, inside, unrest, shade);
  }
}
