package carezza.model;

import java.util.ArrayList;
import java.util.List;

/**
 * A mono picture: lightness by colour family, toned in two tones.
 *
 * @param families L* that full colours of each {@link HueBandsLayer.Family} gain, −60 … 60; missing ones 0
 * @param darks tint of the darks
 * @param lights tint of the lights
 */
public record MonochromeLayer(LayerAttributes attributes, List<Double> families, Tint darks, Tint lights)
    implements Layer {

  public MonochromeLayer with(HueBandsLayer.Family family, double lightness) {
    List<Double> changed = new ArrayList<>(families);
    changed.set(family.ordinal(), lightness);
    return new MonochromeLayer(attributes, changed, darks, lights);
  }

  public MonochromeLayer {
    Require.present("attributes", attributes);
    List<Double> all = new ArrayList<>(families == null ? List.of() : families);
    while (all.size() < HueBandsLayer.Family.values().length) {
      all.add(0.0);
    }
    all.forEach(v -> Require.range("lightness of a family", v, -60, 60));
    families = List.copyOf(all);
    darks = darks == null ? Tint.NONE : darks;
    lights = lights == null ? Tint.NONE : lights;
  }

  @Override
  public MonochromeLayer with(LayerAttributes newAttributes) {
    return new MonochromeLayer(newAttributes, families, darks, lights);
  }
}
