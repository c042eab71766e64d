package carezza.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

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

    public String title() {
      return name().charAt(0) + name().substring(1).toLowerCase(Locale.ROOT);
    }
  }

  /**
   * @param hue turn in degrees, −45 … 45
   * @param chroma −1 … 1: share that is added
   * @param lightness L* added to full colours, −30 … 30
   */
  public record Trim(double hue, double chroma, double lightness) {

    public static final Trim NONE = new Trim(0, 0, 0);

    public Trim {
      Require.range("hue", hue, -45, 45);
      Require.range("chroma", chroma, -1, 1);
      Require.range("lightness", lightness, -30, 30);
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
