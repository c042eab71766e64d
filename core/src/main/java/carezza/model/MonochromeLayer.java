package carezza.model;

import java.util.ArrayList;
import java.util.List;

/**
 * A mono picture: lightness by colour family, toned in two tones.
 *
 * @param families L* that full colours of each {@link HueBandsLayer.Family} gain; missing ones 0
 * @param shadows tint of the shadows
 * @param highlights tint of the highlights
 */
public record MonochromeLayer(
    LayerAttributes attributes, List<Double> families, Tint shadows, Tint highlights)
    implements Layer {

  /** L* that one family may gain. */
  public static final Parameters.Declared FAMILY =
      new Parameters.Declared("families", Unit.LIGHTNESS_CHANGE, -60, 60, -60, 60, 0, 1, false);

  public MonochromeLayer with(HueBandsLayer.Family family, double lightness) {
    List<Double> changed = new ArrayList<>(families);
    changed.set(family.ordinal(), lightness);
    return new MonochromeLayer(attributes, changed, shadows, highlights);
  }

  public MonochromeLayer {
    Require.present("attributes", attributes);
    List<Double> all = new ArrayList<>(families == null ? List.of() : families);
    while (all.size() < HueBandsLayer.Family.values().length) {
      all.add(0.0);
    }
    all.forEach(v -> Require.range("lightness of a family", v, FAMILY.least(), FAMILY.most()));
    families = List.copyOf(all);
    shadows = shadows == null ? Tint.NONE : shadows;
    highlights = highlights == null ? Tint.NONE : highlights;
  }

  @Override
  public MonochromeLayer with(LayerAttributes newAttributes) {
    return new MonochromeLayer(newAttributes, families, shadows, highlights);
  }
}
