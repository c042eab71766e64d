package carezza.model;

import java.util.List;

/**
 * Raises bands of detail in lightness.
 *
 * @param bands one to four, each added to the picture by its gain
 * @param haloLimit most that L* may change, reached softly
 */
public record SharpenLayer(
    LayerAttributes attributes,
    List<Band> bands,
    @Parameter(unit = Unit.LIGHTNESS_CHANGE, most = 20, usual = 4, step = 0.1) double haloLimit)
    implements Layer {

  /**
   * Detail finer than the radius.
   *
   * @param radius sigma in photograph pixels
   * @param gain 1 doubles the detail
   */
  public record Band(
      @Parameter(unit = Unit.PIXELS, least = 0.3, most = 200, high = 8, usual = 1.2, step = 0.1)
          double radius,
      @Parameter(most = 4, high = 2, usual = 0.5) double gain) {
    public Band {
      Parameters.of(Band.class).check(radius, gain);
    }
  }

  public SharpenLayer {
    Require.present("attributes", attributes);
    Parameters.of(SharpenLayer.class).check(haloLimit);
    bands = bands == null ? List.of(Parameters.usual(Band.class)) : List.copyOf(bands);
    if (bands.isEmpty() || bands.size() > 4) {
      throw new IllegalArgumentException("sharpening takes one to four bands");
    }
  }

  @Override
  public SharpenLayer with(LayerAttributes newAttributes) {
    return new SharpenLayer(newAttributes, bands, haloLimit);
  }
}
