package carezza.desktop.view.practice;

import java.util.ArrayList;
import java.util.List;

import carezza.desktop.text.Names;
import carezza.desktop.text.Texts;
import carezza.kernel.LayerType;
import carezza.model.Parameters.Declared;

/** What is known of a kind of layer's numbers, from where they are declared. */
final class LayerFacts {

  private static final Texts LAYERS = Texts.of("layers");

  private LayerFacts() {}

  /**
   * A number of a layer.
   *
   * @param range where its slider begins and ends, with its unit
   * @param usual what a new layer has; empty where that is measured
   */
  record Fact(String name, String hint, String range, String usual) {}

  static List<Fact> of(LayerType type) {
    List<Fact> facts = new ArrayList<>();
    for (Declared number : type.parameters().all()) {
      String key = type.key() + "." + number.name();
      if (LAYERS.has(key) && LAYERS.has(key + ".hint")) {
        facts.add(
            new Fact(
                LAYERS.get(key),
                LAYERS.get(key + ".hint"),
                Names.written(number, number.low()) + " … " + Names.written(number, number.high()),
                Double.isNaN(number.usual()) ? "" : Names.written(number, number.usual())));
      }
    }
    return facts;
  }
}
