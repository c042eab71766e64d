package carezza.model;

import java.util.List;

/**
 * Raises bands of detail in lightness.
 *
 * @param bands one to four, each added to the picture by its gain
 * @param haloLimit most that L* may change, reached softly, 0 … 20
 */
public record SharpenLayer(LayerAttributes attributes, List<Band> bands, double haloLimit) implements Layer {

  /**
   * Detail finer than the radius.
   *
   * @param radius sigma in photograph pixels
   * @param gain 0 … 4: 1 doubles the detail
   */
  public record Band(double radius, double gain) {
    public Band {
      Require.range("radius", radius, 0.3, 200);
      Require.range("gain", gain, 0, 4);
    }
  }

  public SharpenLayer {
    Require.present("attributes", attributes);
    bands = bands == null ? List.of() : List.copyOf(bands);
    if (bands.isEmpty() || bands.size() > 4) {
      throw new IllegalArgumentException("sharpening takes one to four bands");
    }
    Require.range("haloLimit", haloLimit, 0, 20);
  }

  @Override
  public SharpenLayer with(LayerAttributes newAttributes) {
    return new SharpenLayer(newAttributes, bands, haloLimit);
  }
}
