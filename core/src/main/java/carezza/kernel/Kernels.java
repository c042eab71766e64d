package carezza.kernel;

import java.util.List;

import carezza.image.Area;
import carezza.mask.Masks;
import carezza.mask.Site;
import carezza.model.CurveLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.Head;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.Source;
import carezza.model.Layer;
import carezza.model.Mask;
import carezza.model.ScleraLayer;
import carezza.model.SharpenLayer;
import carezza.model.TeethLayer;
import carezza.model.ToneEveningLayer;
import carezza.model.VignetteLayer;
import carezza.model.WhiteBalanceLayer;

/** Finds the kernel of a layer. */
public final class Kernels {

  private Kernels() {}

  /** Places that a piece of one of the layer's repairs could take its skin from, the best first. */
  public static List<Source> sources(HealLayer layer, Piece piece, int most, Probe probe) {
    return HealSourceFinder.ranked(piece, layer.patches(), most, probe);
  }

  /** Measures what the layer needs to know of its input. */
  public static Readings measure(Layer layer, Probe probe) {
    return switch (layer) {
      case HealLayer l -> HealKernel.measure(l, probe);
      case FrequencySeparationLayer l -> FrequencySeparationKernel.measure(l, probe);
      case ToneEveningLayer l -> ToneEveningKernel.measure(l, probe);
      case TeethLayer l -> TeethKernel.measure(l, probe);
      case ScleraLayer l -> ScleraKernel.measure(l, probe);
      case WhiteBalanceLayer l -> new Readings.None();
      case ExposureLayer l -> new Readings.None();
      case DodgeBurnLayer l -> new Readings.None();
      case CurveLayer l -> new Readings.None();
      case VignetteLayer l -> new Readings.None();
      case SharpenLayer l -> new Readings.None();
    };
  }

  /** Whether {@link #measure} looks at the picture at all. */
  public static boolean measures(Layer layer) {
    return switch (layer) {
      case HealLayer l -> HealKernel.measures(l);
      case FrequencySeparationLayer l -> l.radius() == null;
      case ToneEveningLayer l -> true;
      case TeethLayer l -> true;
      case ScleraLayer l -> true;
      case WhiteBalanceLayer l -> false;
      case ExposureLayer l -> false;
      case DodgeBurnLayer l -> false;
      case CurveLayer l -> false;
      case VignetteLayer l -> false;
      case SharpenLayer l -> false;
    };
  }

  /** The layer with all at a fixed value that {@link #measure} does not look at. */
  public static Layer measured(Layer layer) {
    Head full = layer.head().withAmount(1);
    return switch (layer) {
      case ToneEveningLayer l -> new ToneEveningLayer(full, 0, 0, null, 0, 0, 0);
      case FrequencySeparationLayer l ->
          new FrequencySeparationLayer(full, l.radius(), l.split(), 1, 1, 0, l.edgeGuard(), List.of());
      default -> layer.with(full);
    };
  }

  /** The layer with what was left open filled in from its readings. */
  public static Layer resolve(Layer layer, Readings readings) {
    if (layer instanceof HealLayer l && readings instanceof Readings.HealSources found) {
      return HealKernel.resolve(l, found);
    }
    if (layer instanceof FrequencySeparationLayer l
        && readings instanceof Readings.Separation advised) {
      return l.withRadius(advised.advisedRadius());
    }
    return layer;
  }

  /**
   * The layer's effect at a level.
   *
   * @param layer as {@link #resolve} left it
   */
  public static Effect effect(Layer layer, Readings readings, Site site) {
    return switch (layer) {
      case WhiteBalanceLayer l -> WhiteBalanceKernel.effect(l);
      case ExposureLayer l -> ExposureKernel.effect(l);
      case HealLayer l -> HealKernel.effect(l, site);
      case FrequencySeparationLayer l -> FrequencySeparationKernel.effect(l, site);
      case DodgeBurnLayer l -> DodgeBurnKernel.effect(l, site);
      case ToneEveningLayer l -> ToneEveningKernel.effect(l, (Readings.SkinTone) readings, site);
      case CurveLayer l -> CurveKernel.effect(l);
      case TeethLayer l -> TeethKernel.effect(l, (Readings.Tone) readings);
      case ScleraLayer l -> ScleraKernel.effect(l, (Readings.Eyes) readings, site);
      case VignetteLayer l -> VignetteKernel.effect(l, site);
      case SharpenLayer l -> SharpenKernel.effect(l, site);
    };
  }

  /**
   * The layer without what cannot matter inside an area of the photograph: far strokes and repairs.
   * Two layers that are equal within an area have equal pixels there.
   */
  public static Layer within(Layer layer, Area photographArea) {
    Layer own =
        layer.with(layer.head().withMask(Masks.within(layer.head().mask(), photographArea)));
    return switch (own) {
      case HealLayer l -> HealKernel.within(l, photographArea);
      case FrequencySeparationLayer l -> FrequencySeparationKernel.within(l, photographArea);
      case DodgeBurnLayer l ->
          l.withMasks(
              Masks.within(l.dodgeMask(), photographArea),
              Masks.within(l.burnMask(), photographArea));
      case WhiteBalanceLayer l -> l;
      case ExposureLayer l -> l;
      case ToneEveningLayer l -> l;
      case CurveLayer l -> l;
      case TeethLayer l -> l;
      case ScleraLayer l -> l;
      case VignetteLayer l -> l;
      case SharpenLayer l -> l;
    };
  }

  /** Whether the layer leaves every pixel as it is; asked of layers cut to an area. */
  public static boolean idle(Layer layer) {
    if (!layer.acts() || layer.head().mask() instanceof Mask.Nothing) {
      return true;
    }
    return switch (layer) {
      case HealLayer l -> l.patches().isEmpty();
      case DodgeBurnLayer l ->
          l.dodgeMask() instanceof Mask.Nothing && l.burnMask() instanceof Mask.Nothing;
      default -> false;
    };
  }
}
