package carezza.kernel;

import java.util.List;

import carezza.image.Area;
import carezza.mask.Masks;
import carezza.mask.Site;
import carezza.model.BalanceLayer;
import carezza.model.CatchlightLayer;
import carezza.model.ColourTouchLayer;
import carezza.model.CurveLayer;
import carezza.model.DepthLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.FamiliesLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.GradientMapLayer;
import carezza.model.Head;
import carezza.model.HealLayer;
import carezza.model.HealLayer.Piece;
import carezza.model.HealLayer.Source;
import carezza.model.HueShiftLayer;
import carezza.model.IrisLayer;
import carezza.model.Layer;
import carezza.model.LipsLayer;
import carezza.model.LocalContrastLayer;
import carezza.model.LockedLayer;
import carezza.model.Mask;
import carezza.model.MatchLayer;
import carezza.model.MonoLayer;
import carezza.model.MuteLayer;
import carezza.model.NeutraliseLayer;
import carezza.model.RangeLayer;
import carezza.model.SaturationLayer;
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
    return HealSourceFinder.ranked(layer, piece, most, probe);
  }

  /** Measures what the layer needs to know of its input. */
  public static Readings measure(Layer layer, Probe probe) {
    return switch (layer) {
      case HealLayer l -> HealKernel.measure(l, probe);
      case FrequencySeparationLayer l -> FrequencySeparationKernel.measure(l, probe);
      case ToneEveningLayer l -> ToneEveningKernel.measure(l, probe);
      case TeethLayer l -> TeethKernel.measure(l, probe);
      case ScleraLayer l -> ScleraKernel.measure(l, probe);
      case NeutraliseLayer l -> NeutraliseKernel.measure(l, probe);
      case LocalContrastLayer l ->
          l.haze() > 0 ? LocalContrastKernel.measure(probe) : new Readings.None();
      case MatchLayer l -> MatchKernel.measure(l, probe);
      case DepthLayer l -> DepthKernel.measure(l, probe);
      case IrisLayer l -> Whitening.under(l.head().mask(), probe);
      case CatchlightLayer l -> Whitening.under(l.head().mask(), probe);
      case LipsLayer l -> Whitening.under(l.head().mask(), probe);
      case WhiteBalanceLayer _, ExposureLayer _, RangeLayer _, DodgeBurnLayer _ ->
          new Readings.None();
      case FamiliesLayer _, MuteLayer _, ColourTouchLayer _, CurveLayer _ -> new Readings.None();
      case BalanceLayer _, GradientMapLayer _, MonoLayer _, SaturationLayer _ ->
          new Readings.None();
      case HueShiftLayer _, VignetteLayer _, SharpenLayer _, LockedLayer _ -> new Readings.None();
    };
  }

  /** Whether {@link #measure} looks at the picture at all. */
  public static boolean measures(Layer layer) {
    return switch (layer) {
      case HealLayer l -> HealKernel.measures(l);
      case FrequencySeparationLayer l -> l.radius() == null;
      case ToneEveningLayer _, TeethLayer _, ScleraLayer _ -> true;
      case NeutraliseLayer _, MatchLayer _, DepthLayer _ -> true;
      case LocalContrastLayer l -> l.haze() > 0;
      case IrisLayer _, CatchlightLayer _, LipsLayer _ -> true;
      case WhiteBalanceLayer _, ExposureLayer _, RangeLayer _, DodgeBurnLayer _ -> false;
      case FamiliesLayer _, MuteLayer _, ColourTouchLayer _, CurveLayer _ -> false;
      case BalanceLayer _, GradientMapLayer _, MonoLayer _, SaturationLayer _ -> false;
      case HueShiftLayer _, VignetteLayer _, SharpenLayer _, LockedLayer _ -> false;
    };
  }

  /** The layer with all at a fixed value that {@link #measure} does not look at. */
  public static Layer measured(Layer layer) {
    Head full = layer.head().withAmount(1);
    return switch (layer) {
      case ToneEveningLayer l -> new ToneEveningLayer(full, 0, 0, null, 0, 0, 0, null, false);
      case FrequencySeparationLayer l ->
          new FrequencySeparationLayer(
              full, l.radius(), l.split(), 1, 1, 0, l.edgeGuard(), List.of());
      case TeethLayer l -> new TeethLayer(full, 1, 0, false);
      case ScleraLayer l -> new ScleraLayer(full, 0, 0, 0, 0, false);
      case MatchLayer l -> new MatchLayer(full, l.follow(), 0, 0);
      case DepthLayer l -> new DepthLayer(full, 0, 0, l.mix(), false);
      case LocalContrastLayer l -> new LocalContrastLayer(full, 0, l.haze() > 0 ? 1 : 0);
      case IrisLayer l -> new IrisLayer(full, 0, 0, 0, false);
      case CatchlightLayer l -> new CatchlightLayer(full, 0, 0);
      case LipsLayer l -> new LipsLayer(full, 5, 0, 0, false);
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
      case WhiteBalanceLayer l -> WhiteBalanceKernel.effect(l, site);
      case ExposureLayer l -> ExposureKernel.effect(l);
      case HealLayer l -> HealKernel.effect(l, site);
      case FrequencySeparationLayer l -> FrequencySeparationKernel.effect(l, site);
      case DodgeBurnLayer l -> DodgeBurnKernel.effect(l, site);
      case ToneEveningLayer l -> ToneEveningKernel.effect(l, (Readings.SkinTone) readings, site);
      case CurveLayer l -> CurveKernel.effect(l);
      case TeethLayer l -> TeethKernel.effect(l, (Readings.Tone) readings);
      case ScleraLayer l -> ScleraKernel.effect(l, (Readings.Eyes) readings, site);
      case NeutraliseLayer l -> NeutraliseKernel.effect((Readings.Neutrals) readings);
      case RangeLayer l -> RangeKernel.effect(l, site);
      case LocalContrastLayer l -> LocalContrastKernel.effect(l, haze(readings), site);
      case MatchLayer l -> MatchKernel.effect(l, (Readings.Match) readings);
      case FamiliesLayer l -> FamiliesKernel.effect(l);
      case DepthLayer l -> DepthKernel.effect(l, (Readings.Depth) readings);
      case MuteLayer l -> ColourKernels.mute(l);
      case ColourTouchLayer l -> ColourKernels.touch(l);
      case BalanceLayer l -> ColourKernels.balance(l);
      case GradientMapLayer l -> ColourKernels.gradientMap(l);
      case MonoLayer l -> ColourKernels.mono(l);
      case SaturationLayer l -> ColourKernels.saturation(l);
      case HueShiftLayer l -> ColourKernels.hueShift(l);
      case IrisLayer l -> IrisKernel.iris(l, (Readings.Tone) readings, site);
      case CatchlightLayer l -> IrisKernel.catchlight(l, (Readings.Tone) readings);
      case LipsLayer l -> LipsKernel.effect(l, (Readings.Tone) readings);
      case VignetteLayer l -> VignetteKernel.effect(l, site);
      case SharpenLayer l -> SharpenKernel.effect(l, site);
      case LockedLayer _ -> Effect.perPixel(own -> own);
    };
  }

  /** What was read of haze; nothing was where none is taken away. */
  private static Readings.Haze haze(Readings readings) {
    return readings instanceof Readings.Haze h ? h : new Readings.Haze(0);
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
      default -> own;
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
      case NeutraliseLayer l -> l.dark() == null && l.middle() == null && l.light() == null;
      default -> false;
    };
  }
}
