package carezza.record;

import java.time.Instant;
import java.util.Map;

/**
 * A layer came, was changed or went.
 *
 * @param layer its id
 * @param kind as in files
 * @param name as the retoucher calls it
 * @param values its numbers by their names, as they are then
 */
public record LayerChange(
    Instant at, What what, String layer, String kind, String name, Map<String, Double> values) {

  /** What became of it. */
  public enum What {
    ADDED,
    CHANGED,
    REMOVED
  }

  public LayerChange {
    values = Map.copyOf(values);
  }
}
