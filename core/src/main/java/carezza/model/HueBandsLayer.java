package carezza.model;

import java.util.ArrayList;
import java.util.List;

/**
 * Trims of colour families, on smooth weights over hue that sum to one.
 *
 * @param trims one for each {@link Family}, in their order; missing ones change nothing
 */
public record HueBandsLayer(LayerAttributes attributes, List<Trim> trims) implements Layer {

  /** A range of hues around its middle, in degrees of CIE LCh(ab). */
  public enum Family {
    ROSE(0),
    RED(30),
    ORANGE(60),
    YELLOW(95),
    GREEN(145),
    TEAL(200),
    BLUE(265),
    VIOLET(315);

    private final double hue;

    Family(double hue) {
      this.hue = hue;
    }

    public double hue() {
      return hue;
    }
  }

  /**
   * @param hue turn in degrees
   * @param chroma share that is added
   * @param lightness L* added to full colours
   */
  public record Trim(
      @Parameter(unit = Unit.DEGREES, least = -45, most = 45, step = 1) double hue,
      @Parameter(least = -1) double chroma,
      @Parameter(unit = Unit.LIGHTNESS_CHANGE, least = -30, most = 30, step = 1) double lightness) {

    public static final Trim NONE = new Trim(0, 0, 0);

    public Trim {
      Parameters.of(Trim.class).check(hue, chroma, lightness);
    }
  }

  public Trim of(Family family) {
    return trims.get(family.ordinal());
  }

  public HueBandsLayer with(Family family, Trim trim) {
    List<Trim> changed = new ArrayList<>(trims);
    changed.set(family.ordinal(), trim);
    return new HueBandsLayer(attributes, changed);
  }

  public HueBandsLayer {
    Require.present("attributes", attributes);
    List<Trim> all = new ArrayList<>(trims == null ? List.of() : trims);
    while (all.size() < Family.values().length) {
      all.add(Trim.NONE);
    }
    trims = List.copyOf(all);
  }

  @Override
  public HueBandsLayer with(LayerAttributes newAttributes) {
    return new HueBandsLayer(newAttributes, trims);
  }
}
