package carezza.model;

import java.util.List;

/**
 * Gives the skin under its mask the colour of another skin at equal lightness.
 *
 * @param follow the skin to be like
 * @param colour 0 … 1: share of the difference in colour taken away
 * @param lightness 0 … 1: share of the difference in lightness taken away
 */
public record SkinMatchLayer(LayerAttributes attributes, Mask follow, double colour, double lightness) implements Layer {

  public SkinMatchLayer {
    Require.present("attributes", attributes);
    Require.present("follow", follow);
    Require.range("colour", colour, 0, 1);
    Require.range("lightness", lightness, 0, 1);
  }

  @Override
  public SkinMatchLayer with(LayerAttributes newAttributes) {
    return new SkinMatchLayer(newAttributes, follow, colour, lightness);
  }

  @Override
  public List<Mask> masks() {
    return List.of(attributes.mask(), follow);
  }
}
