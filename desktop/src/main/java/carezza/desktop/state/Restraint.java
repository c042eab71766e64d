package carezza.desktop.state;

import java.util.Set;

import carezza.kernel.LayerType;

/**
 * What an exercise leaves to be used.
 *
 * @param photograph SHA-256 of the one that it is about
 * @param layers kinds that may be added
 */
public record Restraint(String photograph, Set<LayerType> layers) {

  public Restraint {
    layers = Set.copyOf(layers);
  }
}
