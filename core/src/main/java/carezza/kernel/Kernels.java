package carezza.kernel;

import java.util.List;

import carezza.image.Area;
import carezza.mask.EvaluationContext;
import carezza.mask.Masks;
import carezza.model.CatchlightLayer;
import carezza.model.ColourBalanceLayer;
import carezza.model.ColourPaintLayer;
import carezza.model.CurveLayer;
import carezza.model.DesaturateLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.GradientMapLayer;
import carezza.model.GroupLayer;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.Source;
import carezza.model.HueBandsLayer;
import carezza.model.HueShiftLayer;
import carezza.model.IrisLayer;
import carezza.model.Layer;
import carezza.model.LayerAttributes;
import carezza.model.LevelsLayer;
import carezza.model.LipsLayer;
import carezza.model.LocalContrastLayer;
import carezza.model.LockedLayer;
import carezza.model.Mask;
import carezza.model.MonochromeLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.SaturationLayer;
import carezza.model.ScleraLayer;
import carezza.model.SharpenLayer;
import carezza.model.SkinDepthLayer;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.TeethLayer;
import carezza.model.VignetteLayer;
import carezza.model.WhiteBalanceLayer;

/** Finds the kernel of a layer. */
public final class Kernels {

  private Kernels() {}

  /** Places that a piece of one of the layer's repairs could take its skin from, the best first. */
  public static List<Source> sources(HealLayer layer, Piece piece, int most, Probe probe) {
    return HealSourceFinder.ranked(layer, piece, most, probe);
  }

  /** Measures what the layer needs to know of its input. */
  public static Measurements measure(Layer layer, Probe probe) {
    return switch (layer) {
      case HealLayer l -> HealKernel.measure(l, probe);
      case FrequencySeparationLayer l -> FrequencySeparationKernel.measure(l, probe);
      case SkinToneEveningLayer l -> SkinToneEveningKernel.measure(l, probe);
      case TeethLayer l -> TeethKernel.measure(l, probe);
      case ScleraLayer l -> ScleraKernel.measure(l, probe);
      case NeutralPointsLayer l -> NeutralPointsKernel.measure(l, probe);
      case LocalContrastLayer l ->
          l.haze() > 0 ? LocalContrastKernel.measure(probe) : new Measurements.None();
      case SkinMatchLayer l -> SkinMatchKernel.measure(l, probe);
      case SkinDepthLayer l -> SkinDepthKernel.measure(l, probe);
      case IrisLayer l -> Whitening.under(l.attributes().mask(), probe);
      case CatchlightLayer l -> Whitening.under(l.attributes().mask(), probe);
      case LipsLayer l -> Whitening.under(l.attributes().mask(), probe);
      case WhiteBalanceLayer _, ExposureLayer _, LevelsLayer _, DodgeBurnLayer _ ->
          new Measurements.None();
      case HueBandsLayer _, DesaturateLayer _, ColourPaintLayer _, CurveLayer _ -> new Measurements.None();
      case ColourBalanceLayer _, GradientMapLayer _, MonochromeLayer _, SaturationLayer _ ->
          new Measurements.None();
      case HueShiftLayer _, VignetteLayer _, SharpenLayer _, GroupLayer _, LockedLayer _ -> new Measurements.None();
    };
  }

  /** Whether {@link #measure} looks at the picture at all. */
  public static boolean measures(Layer layer) {
    return switch (layer) {
      case HealLayer l -> HealKernel.measures(l);
      case FrequencySeparationLayer l -> l.radius() == null;
      case SkinToneEveningLayer _, TeethLayer _, ScleraLayer _ -> true;
      case NeutralPointsLayer _, SkinMatchLayer _, SkinDepthLayer _ -> true;
      case LocalContrastLayer l -> l.haze() > 0;
      case IrisLayer _, CatchlightLayer _, LipsLayer _ -> true;
      case WhiteBalanceLayer _, ExposureLayer _, LevelsLayer _, DodgeBurnLayer _ -> false;
      case HueBandsLayer _, DesaturateLayer _, ColourPaintLayer _, CurveLayer _ -> false;
      case ColourBalanceLayer _, GradientMapLayer _, MonochromeLayer _, SaturationLayer _ -> false;
      case HueShiftLayer _, VignetteLayer _, SharpenLayer _, GroupLayer _, LockedLayer _ -> false;
    };
  }

  /** The layer with all at a fixed value that {@link #measure} does not look at. */
  public static Layer measured(Layer layer) {
    LayerAttributes full = layer.attributes().withAmount(1);
    return switch (layer) {
      case SkinToneEveningLayer l -> new SkinToneEveningLayer(full, 0, 0, null, 0, 0, 0, null, false);
      case FrequencySeparationLayer l ->
          new FrequencySeparationLayer(
              full, l.radius(), l.split(), 1, 1, 0, l.edgeGuard(), List.of());
      case TeethLayer l -> new TeethLayer(full, 1, 0, false);
      case ScleraLayer l -> new ScleraLayer(full, 0, 0, 0, 0, false);
      case SkinMatchLayer l -> new SkinMatchLayer(full, l.follow(), 0, 0);
      case SkinDepthLayer l -> new SkinDepthLayer(full, 0, 0, l.mix(), false);
      case LocalContrastLayer l -> new LocalContrastLayer(full, 0, l.haze() > 0 ? 1 : 0);
      case IrisLayer l -> new IrisLayer(full, 0, 0, 0, false);
      case CatchlightLayer l -> new CatchlightLayer(full, 0, 0);
      case LipsLayer l -> new LipsLayer(full, 5, 0, 0, false);
      default -> layer.with(full);
    };
  }

  /** The layer with what was left open filled in from its readings. */
  public static Layer resolve(Layer layer, Measurements measurements) {
    if (layer instanceof HealLayer l && measurements instanceof Measurements.HealSources found) {
      return HealKernel.resolve(l, found);
    }
    if (layer instanceof FrequencySeparationLayer l
        && measurements instanceof Measurements.Separation advised) {
      return l.withRadius(advised.advisedRadius());
    }
    return layer;
  }

  /**
   * The layer's effect at a level.
   *
   * @param layer as {@link #resolve} left it
   */
  public static Effect effect(Layer layer, Measurements measurements, EvaluationContext context) {
    return switch (layer) {
      case WhiteBalanceLayer l -> WhiteBalanceKernel.effect(l, context);
      case ExposureLayer l -> ExposureKernel.effect(l);
      case HealLayer l -> HealKernel.effect(l, context);
      case FrequencySeparationLayer l -> FrequencySeparationKernel.effect(l, context);
      case DodgeBurnLayer l -> DodgeBurnKernel.effect(l, context);
      case SkinToneEveningLayer l -> SkinToneEveningKernel.effect(l, (Measurements.SkinTone) measurements, context);
      case CurveLayer l -> CurveKernel.effect(l);
      case TeethLayer l -> TeethKernel.effect(l, (Measurements.Tone) measurements);
      case ScleraLayer l -> ScleraKernel.effect(l, (Measurements.Eyes) measurements, context);
      case NeutralPointsLayer l -> NeutralPointsKernel.effect((Measurements.Neutrals) measurements);
      case LevelsLayer l -> LevelsKernel.effect(l, context);
      case LocalContrastLayer l -> LocalContrastKernel.effect(l, haze(measurements), context);
      case SkinMatchLayer l -> SkinMatchKernel.effect(l, (Measurements.Match) measurements);
      case HueBandsLayer l -> HueBandsKernel.effect(l);
      case SkinDepthLayer l -> SkinDepthKernel.effect(l, (Measurements.Depth) measurements);
      case DesaturateLayer l -> ColourKernels.mute(l);
      case ColourPaintLayer l -> ColourKernels.touch(l);
      case ColourBalanceLayer l -> ColourKernels.balance(l);
      case GradientMapLayer l -> ColourKernels.gradientMap(l);
      case MonochromeLayer l -> ColourKernels.mono(l);
      case SaturationLayer l -> ColourKernels.saturation(l);
      case HueShiftLayer l -> ColourKernels.hueShift(l);
      case IrisLayer l -> IrisKernel.iris(l, (Measurements.Tone) measurements, context);
      case CatchlightLayer l -> IrisKernel.catchlight(l, (Measurements.Tone) measurements);
      case LipsLayer l -> LipsKernel.effect(l, (Measurements.Tone) measurements);
      case VignetteLayer l -> VignetteKernel.effect(l, context);
      case SharpenLayer l -> SharpenKernel.effect(l, context);
      // Its members have made it; the renderer lays it over what lies below them.
      case GroupLayer _, LockedLayer _ -> Effect.perPixel(own -> own);
    };
  }

  /** What was read of haze; nothing was where none is taken away. */
  private static Measurements.Haze haze(Measurements measurements) {
    return measurements instanceof Measurements.Haze h ? h : new Measurements.Haze(0);
  }

  /**
   * The layer without what cannot matter inside an area of the photograph: far strokes and repairs.
   * Two layers that are equal within an area have equal pixels there.
   */
  public static Layer within(Layer layer, Area photographArea) {
    Layer own =
        layer.with(layer.attributes().withMask(Masks.within(layer.attributes().mask(), photographArea)));
    return switch (own) {
      case HealLayer l -> HealKernel.within(l, photographArea);
      case FrequencySeparationLayer l -> FrequencySeparationKernel.within(l, photographArea);
      case DodgeBurnLayer l ->
          l.withMasks(
              Masks.within(l.dodgeMask(), photographArea),
              Masks.within(l.burnMask(), photographArea));
      default -> own;
    };
  }

  /** Whether the layer leaves every pixel as it is; asked of layers cut to an area. */
  public static boolean idle(Layer layer) {
    if (layer instanceof GroupLayer group) {
      // Where it covers nothing it takes back what its members made.
      return group.plain();
    }
    if (!layer.acts() || layer.attributes().mask() instanceof Mask.Nothing) {
      return true;
    }
    return switch (layer) {
      case HealLayer l -> l.patches().isEmpty();
      case DodgeBurnLayer l ->
          l.dodgeMask() instanceof Mask.Nothing && l.burnMask() instanceof Mask.Nothing;
      case NeutralPointsLayer l -> l.dark() == null && l.middle() == null && l.light() == null;
      default -> false;
    };
  }
}
