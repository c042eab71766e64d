package carezza.routine;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

import carezza.model.LayerStack;

/**
 * Layers for any photograph: areas by name, and values that are fixed or measured anew.
 *
 * @param name shown
 * @param purpose what it is for, in a sentence
 * @param job name of the job level whose bands hold
 * @param stack the layers; what is not measured is as it stands here
 * @param measured rules by the id of the layer that they are for
 * @param likelihood of a blemish from which it is repaired, 0 … 1
 * @param tuned whether amounts are brought to where the gauges of the job end inside their bands
 */
public record Routine(
    String name,
    String purpose,
    String job,
    LayerStack stack,
    Map<String, Set<Rule>> measured,
    double likelihood,
    boolean tuned) {

  /** Likelihood from which a proposal is repaired unless said otherwise. */
  public static final double LIKELY = 0.5;

  public Routine {
    if (!(likelihood >= 0 && likelihood <= 1)) {
      throw new IllegalArgumentException("likelihood is to be 0 to 1, not " + likelihood);
    }
    Map<String, Set<Rule>> checked = new TreeMap<>();
    measured.forEach(
        (layer, rules) -> {
          for (Rule rule : rules) {
            if (!stack.find(layer).map(rule::measures).orElse(false)) {
              throw new IllegalArgumentException(
                  "%s cannot be measured for layer '%s'".formatted(rule, layer));
            }
          }
          checked.put(layer, Set.copyOf(rules));
        });
    measured = Map.copyOf(checked);
  }

  /** Rules for a layer; none where all its values are fixed. */
  public Set<Rule> rules(String layer) {
    return measured.getOrDefault(layer, Set.of());
  }
}
