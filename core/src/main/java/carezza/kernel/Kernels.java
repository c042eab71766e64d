package carezza.kernel;

import java.util.List;

import carezza.image.Area;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.GroupLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.Source;
import carezza.model.Layer;
import carezza.model.LockedLayer;
import carezza.model.Mask;

/** Asks the kernel of a layer. */
public final class Kernels {

  private Kernels() {}

  private static LayerKernel<Layer, Measurements> of(Layer layer) {
    return LayerType.of(layer).kernel();
  }

  /** Places that a piece of one of the layer's repairs could take its skin from, the best first. */
  public static List<Source> sources(HealLayer layer, Piece piece, int most, Probe probe) {
    return HealSourceFinder.ranked(layer, piece, most, probe);
  }

  /** Measures what the layer needs to know of its input. */
  public static Measurements measure(Layer layer, Probe probe) {
    return measures(layer) ? of(layer).measure(layer, probe) : new Measurements.None();
  }

  /** Whether {@link #measure} looks at the picture at all. */
  public static boolean measures(Layer layer) {
    return !(layer instanceof LockedLayer) && of(layer).measures(layer);
  }

  /** The layer with all at a fixed value that {@link #measure} does not look at. */
  public static Layer measured(Layer layer) {
    return of(layer).measured(layer.with(layer.attributes().withAmount(1)));
  }

  /** The layer with what was left open filled in from its readings. */
  public static Layer resolve(Layer layer, Measurements measurements) {
    return layer instanceof LockedLayer ? layer : of(layer).resolve(layer, measurements);
  }

  /**
   * The layer's effect at a level.
   *
   * @param layer as {@link #resolve} left it
   */
  public static Effect effect(Layer layer, Measurements measurements, EvaluationContext context) {
    return layer instanceof LockedLayer
        ? Effect.perPixel(own -> own)
        : of(layer).effect(layer, measurements, context);
  }

  /**
   * The layer without what cannot matter inside an area of the photograph: far strokes and repairs.
   * Two layers that are equal within an area have equal pixels there.
   */
  public static Layer within(Layer layer, Area photographArea) {
    Layer own =
        layer.with(
            layer.attributes().withMask(Masks.within(layer.attributes().mask(), photographArea)));
    return own instanceof LockedLayer ? own : of(own).within(own, photographArea);
  }

  /** Whether amount and mask lay the effect over the input; otherwise it is the result. */
  public static boolean blends(Layer layer) {
    return layer instanceof LockedLayer || of(layer).blends(layer);
  }

  /** Whether the layer leaves every pixel as it is; asked of layers cut to an area. */
  public static boolean idle(Layer layer) {
    if (layer instanceof GroupLayer group) {
      // Where it covers nothing it takes back what its members made.
      return group.plain();
    }
    return !layer.acts()
        || layer instanceof LockedLayer
        || layer.attributes().mask() instanceof Mask.Nothing
        || of(layer).idle(layer);
  }
}
