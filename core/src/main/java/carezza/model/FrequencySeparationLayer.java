package carezza.model;

import java.util.List;
import java.util.stream.Stream;

import org.jspecify.annotations.Nullable;

/**
 * Parts the picture in a low band (tone) and a high band (texture), works on each and adds them
 * again.
 *
 * @param radius sigma of the split in photograph pixels; null to take the advised one
 * @param split how the two are parted
 * @param textureGain factor on the high band inside the mask
 * @param blotchGain factor on the middle band inside the mask, between the split and the form of
 *     the face; 1 leaves two bands
 * @param evening how far the low band is evened over the mask
 * @param edgeGuard difference of L* at which evening stops
 * @param areas places whose low band is blurred, by outline or by stroke
 */
public record FrequencySeparationLayer(
    LayerAttributes attributes,
    @Parameter(
            unit = Unit.PIXELS,
            least = 0.3,
            most = 500,
            low = 1,
            high = 60,
            usual = Double.NaN,
            step = 0.1)
        @Nullable Double radius,
    Split split,
    @Parameter(most = 2, usual = 1) double textureGain,
    @Parameter(most = 2, usual = 1) double blotchGain,
    @Parameter(usual = 0.6) double evening,
    @Parameter(unit = Unit.LIGHTNESS_CHANGE, least = 1, most = 40, usual = 10, step = 1)
        double edgeGuard,
    List<LowBandArea> areas)
    implements Layer {

  /** How tone and texture are parted. */
  public enum Split {
    /** By a Gaussian: wherever the edge, what is finer is texture. */
    GAUSSIAN,
    /**
     * By a filter that stops at edges of {@code edgeGuard}: lines of lips, lids and hair stay in
     * the tone.
     */
    EDGES
  }

  /**
   * Smoothing of the low band in one place; nothing comes in from outside the mask.
   *
   * @param sigma of the smoothing in photograph pixels
   * @param strength of the smoothing
   */
  public record LowBandArea(
      Mask mask,
      @Parameter(unit = Unit.PIXELS, least = 0.5, most = 2000, usual = 12, step = 0.5) double sigma,
      @Parameter(usual = 1) double strength) {
    public LowBandArea {
      Parameters.of(LowBandArea.class).check(sigma, strength);
      Require.present("mask", mask);
    }
  }

  public FrequencySeparationLayer {
    Require.present("attributes", attributes);
    Parameters.of(FrequencySeparationLayer.class)
        .check(radius, textureGain, blotchGain, evening, edgeGuard);
    split = split == null ? Split.GAUSSIAN : split;
    areas = areas == null ? List.of() : List.copyOf(areas);
  }

  /**
   * The radius once it is chosen.
   *
   * @throws IllegalStateException if it is still to be advised
   */
  public double chosenRadius() {
    if (radius == null) {
      throw new IllegalStateException("the radius is not advised yet");
    }
    return radius;
  }

  public FrequencySeparationLayer withRadius(@Nullable Double newRadius) {
    return new FrequencySeparationLayer(
        attributes, newRadius, split, textureGain, blotchGain, evening, edgeGuard, areas);
  }

  public FrequencySeparationLayer withSplit(Split newSplit) {
    return new FrequencySeparationLayer(
        attributes, radius, newSplit, textureGain, blotchGain, evening, edgeGuard, areas);
  }

  public FrequencySeparationLayer withTextureGain(double newGain) {
    return new FrequencySeparationLayer(
        attributes, radius, split, newGain, blotchGain, evening, edgeGuard, areas);
  }

  public FrequencySeparationLayer withBlotchGain(double newGain) {
    return new FrequencySeparationLayer(
        attributes, radius, split, textureGain, newGain, evening, edgeGuard, areas);
  }

  public FrequencySeparationLayer withEvening(double newEvening) {
    return new FrequencySeparationLayer(
        attributes, radius, split, textureGain, blotchGain, newEvening, edgeGuard, areas);
  }

  public FrequencySeparationLayer withEdgeGuard(double newGuard) {
    return new FrequencySeparationLayer(
        attributes, radius, split, textureGain, blotchGain, evening, newGuard, areas);
  }

  public FrequencySeparationLayer withAreas(List<LowBandArea> newAreas) {
    return new FrequencySeparationLayer(
        attributes, radius, split, textureGain, blotchGain, evening, edgeGuard, newAreas);
  }

  @Override
  public FrequencySeparationLayer with(LayerAttributes newAttributes) {
    return new FrequencySeparationLayer(
        newAttributes, radius, split, textureGain, blotchGain, evening, edgeGuard, areas);
  }

  @Override
  public List<Mask> masks() {
    return Stream.concat(Stream.of(attributes.mask()), areas.stream().map(LowBandArea::mask))
        .toList();
  }
}
