package carezza.model;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

import org.jspecify.annotations.Nullable;

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
   * @param mask where the band is raised, within the layer's mask; null for all of that
   */
  public record Band(
      @Parameter(unit = Unit.PIXELS, least = 0.3, most = 200, high = 60, usual = 1.2, step = 0.1)
          double radius,
      @Parameter(most = 4, high = 2, usual = 0.5) double gain,
      @Nullable Mask mask) {
    public Band {
      Parameters.of(Band.class).check(radius, gain);
    }

    /** Raised wherever the layer acts. */
    public Band(double radius, double gain) {
      this(radius, gain, null);
    }
  }

  /** Most bands that a layer has. */
  public static final int MOST = 4;

  public SharpenLayer {
    Require.present("attributes", attributes);
    Parameters.of(SharpenLayer.class).check(haloLimit);
    bands = bands == null ? List.of(Parameters.usual(Band.class)) : List.copyOf(bands);
    if (bands.isEmpty() || bands.size() > MOST) {
      throw new IllegalArgumentException("sharpening takes one to four bands");
    }
  }

  @Override
  public SharpenLayer with(LayerAttributes newAttributes) {
    return new SharpenLayer(newAttributes, bands, haloLimit);
  }

  public SharpenLayer withBands(List<Band> newBands) {
    return new SharpenLayer(attributes, newBands, haloLimit);
  }

  @Override
  public List<Mask> masks() {
    List<Mask> masks = new ArrayList<>(List.of(attributes.mask()));
    bands.stream().map(Band::mask).filter(Objects::nonNull).forEach(masks::add);
    return masks;
  }
}
