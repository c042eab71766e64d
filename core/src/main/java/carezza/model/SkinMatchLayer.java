package carezza.model;

import java.util.List;

/**
 * Gives the skin under its mask the colour of another skin at equal lightness.
 *
 * @param follow the skin to be like
 * @param colour share of the difference in colour taken away
 * @param lightness share of the difference in lightness taken away
 */
public record SkinMatchLayer(
    LayerAttributes attributes,
    Mask follow,
    @Parameter(usual = 0.8) double colour,
    @Parameter double lightness)
    implements Layer {

  public SkinMatchLayer {
    Require.present("attributes", attributes);
    Parameters.of(SkinMatchLayer.class).check(colour, lightness);
    follow = follow == null ? new Mask.RegionMask(SemanticRegion.FACE_SKIN) : follow;
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
