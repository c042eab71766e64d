package carezza.kernel;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

import carezza.colour.BlendMode;
import carezza.model.BackdropLayer;
import carezza.model.CatchlightLayer;
import carezza.model.ColourBalanceLayer;
import carezza.model.ColourPaintLayer;
import carezza.model.CurveLayer;
import carezza.model.DesaturateLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.FocusFalloffLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.GlowLayer;
import carezza.model.GradientMapLayer;
import carezza.model.GrainLayer;
import carezza.model.GroupLayer;
import carezza.model.HealLayer;
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
import carezza.model.Mask.RegionMask;
import carezza.model.MonochromeLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.NoiseReductionLayer;
import carezza.model.OverlayLayer;
import carezza.model.PaintLayer;
import carezza.model.Parameters;
import carezza.model.RecordValue;
import carezza.model.SaturationLayer;
import carezza.model.ScleraLayer;
import carezza.model.SemanticRegion;
import carezza.model.ShapeLayer;
import carezza.model.SharpenLayer;
import carezza.model.SkinDepthLayer;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.Stage;
import carezza.model.TeethLayer;
import carezza.model.VignetteLayer;
import carezza.model.WhiteBalanceLayer;

/**
 * The kinds of layer: the name each has in files, its stage, its record with the numbers declared
 * there, what it does, and where a new one acts. A record that is missing here is one that the
 * compiler finds no case for.
 */
public enum LayerType {
  WHITE_BALANCE("whiteBalance", Stage.SETTLE, WhiteBalanceLayer.class, new WhiteBalanceKernel()),
  EXPOSURE("exposure", Stage.SETTLE, ExposureLayer.class, new ExposureKernel()),
  NEUTRAL_POINTS("neutralise", Stage.SETTLE, NeutralPointsLayer.class, new NeutralPointsKernel()),
  LEVELS("range", Stage.SETTLE, LevelsLayer.class, new LevelsKernel()),
  LOCAL_CONTRAST(
      "localContrast", Stage.SETTLE, LocalContrastLayer.class, new LocalContrastKernel()),
  HEAL("heal", Stage.MEND, HealLayer.class, new HealKernel()),
  PAINT("paint", Stage.MEND, PaintLayer.class, new PaintKernel()),
  FREQUENCY_SEPARATION(
      "frequencySeparation",
      Stage.SMOOTH,
      FrequencySeparationLayer.class,
      new FrequencySeparationKernel(),
      new RegionMask(SemanticRegion.SKIN)),
  DODGE_BURN("dodgeBurn", Stage.SCULPT, DodgeBurnLayer.class, new DodgeBurnKernel()),
  SKIN_TONE_EVENING(
      "toneEvening",
      Stage.EVEN,
      SkinToneEveningLayer.class,
      new SkinToneEveningKernel(),
      new RegionMask(SemanticRegion.SKIN)),
  SKIN_MATCH(
      "match",
      Stage.EVEN,
      SkinMatchLayer.class,
      new SkinMatchKernel(),
      new RegionMask(SemanticRegion.NECK_SKIN)),
  HUE_BANDS("families", Stage.EVEN, HueBandsLayer.class, new HueBandsKernel()),
  SKIN_DEPTH(
      "depth",
      Stage.EVEN,
      SkinDepthLayer.class,
      new SkinDepthKernel(),
      new RegionMask(SemanticRegion.SKIN)),
  DESATURATE("mute", Stage.EVEN, DesaturateLayer.class, new DesaturateKernel()),
  COLOUR_PAINT(
      "colourTouch",
      Stage.EVEN,
      ColourPaintLayer.class,
      new ColourPaintKernel(),
      new Mask.Nothing()),
  BACKDROP("backdrop", Stage.EVEN, BackdropLayer.class, new BackdropKernel()),
  CURVE("curve", Stage.GRADE, CurveLayer.class, new CurveKernel()),
  COLOUR_BALANCE("balance", Stage.GRADE, ColourBalanceLayer.class, new ColourBalanceKernel()),
  GRADIENT_MAP("gradientMap", Stage.GRADE, GradientMapLayer.class, new GradientMapKernel()),
  MONOCHROME("mono", Stage.GRADE, MonochromeLayer.class, new MonochromeKernel()),
  SATURATION("saturation", Stage.GRADE, SaturationLayer.class, new SaturationKernel()),
  HUE_SHIFT("hueShift", Stage.GRADE, HueShiftLayer.class, new HueShiftKernel()),
  TEETH(
      "teeth",
      Stage.BRIGHTEN,
      TeethLayer.class,
      new TeethKernel(),
      new RegionMask(SemanticRegion.TEETH)),
  SCLERA(
      "sclera",
      Stage.BRIGHTEN,
      ScleraLayer.class,
      new ScleraKernel(),
      new RegionMask(SemanticRegion.SCLERA)),
  IRIS(
      "iris",
      Stage.BRIGHTEN,
      IrisLayer.class,
      new IrisKernel(),
      new RegionMask(SemanticRegion.IRIS)),
  CATCHLIGHT(
      "catchlight",
      Stage.BRIGHTEN,
      CatchlightLayer.class,
      new CatchlightKernel(),
      new RegionMask(SemanticRegion.IRIS)),
  LIPS(
      "lips",
      Stage.BRIGHTEN,
      LipsLayer.class,
      new LipsKernel(),
      new RegionMask(SemanticRegion.LIPS)),
  VIGNETTE("vignette", Stage.FINISH, VignetteLayer.class, new VignetteKernel()),
  NOISE_REDUCTION("noise", Stage.FINISH, NoiseReductionLayer.class, new NoiseReductionKernel()),
  SHARPEN("sharpen", Stage.FINISH, SharpenLayer.class, new SharpenKernel()),
  GLOW("glow", Stage.FINISH, GlowLayer.class, new GlowKernel()),
  FOCUS_FALLOFF(
      "focusFalloff",
      Stage.FINISH,
      FocusFalloffLayer.class,
      new FocusFalloffKernel(),
      new RegionMask(SemanticRegion.BACKDROP)),
  OVERLAY("overlay", Stage.FINISH, OverlayLayer.class, new OverlayKernel()),
  GRAIN("grain", Stage.FINISH, GrainLayer.class, new GrainKernel()),
  /** Made of layers that are there; it may stand in any stage. */
  GROUP(
      "group",
      Stage.GRADE,
      GroupLayer.class,
      (layer, read, context) -> Effect.perPixel(own -> own)),
  SHAPE("shape", Stage.FINISH, ShapeLayer.class, new ShapeKernel());

  /** All that a new layer can be of; a group is made of layers that are there. */
  public static final List<LayerType> MADE_ANEW =
      Arrays.stream(values()).filter(type -> type != GROUP).toList();

  /**
   * Share of the change that a gradient map begins with: in full it would be the picture's only
   * colours.
   */
  private static final double MAPPED = 0.5;

  private final String key;
  private final Stage stage;
  private final Class<? extends Layer> record;
  private final LayerKernel<?, ?> kernel;
  private final Mask mask;

  <L extends Layer> LayerType(String key, Stage stage, Class<L> record, LayerKernel<L, ?> kernel) {
    this(key, stage, record, kernel, new Mask.Everything());
  }

  <L extends Layer> LayerType(
      String key, Stage stage, Class<L> record, LayerKernel<L, ?> kernel, Mask mask) {
    this.key = key;
    this.stage = stage;
    this.record = record;
    this.kernel = kernel;
    this.mask = mask;
  }

  /** Its name in files. */
  public String key() {
    return key;
  }

  public Stage stage() {
    return stage;
  }

  public Class<? extends Layer> record() {
    return record;
  }

  /** The numbers that its layers have by themselves, not within points, tints or bands. */
  public Parameters parameters() {
    return Parameters.of(record.asSubclass(Record.class));
  }

  /** A new layer as it usually begins, called by its key. */
  public Layer fresh() {
    LayerAttributes attributes = LayerAttributes.of(key, stage, mask);
    return RecordValue.usual(
        switch (this) {
          case GRADIENT_MAP -> attributes.withAmount(MAPPED);
          case OVERLAY -> attributes.withBlend(BlendMode.SCREEN);
          default -> attributes;
        },
        record);
  }

  /** The kind of that name in files, if there is one. */
  public static Optional<LayerType> of(String key) {
    return Arrays.stream(values()).filter(type -> type.key.equals(key)).findFirst();
  }

  /** A layer's kind as files have it, that of one which is not known here included. */
  public static String key(Layer layer) {
    return layer instanceof LockedLayer locked ? locked.kind() : of(layer).key();
  }

  /**
   * @throws IllegalArgumentException of a {@link LockedLayer}, whose kind is not known here
   */
  public static LayerType of(Layer layer) {
    return switch (layer) {
      case WhiteBalanceLayer _ -> WHITE_BALANCE;
      case ExposureLayer _ -> EXPOSURE;
      case NeutralPointsLayer _ -> NEUTRAL_POINTS;
      case LevelsLayer _ -> LEVELS;
      case LocalContrastLayer _ -> LOCAL_CONTRAST;
      case HealLayer _ -> HEAL;
      case FrequencySeparationLayer _ -> FREQUENCY_SEPARATION;
      case DodgeBurnLayer _ -> DODGE_BURN;
      case SkinToneEveningLayer _ -> SKIN_TONE_EVENING;
      case SkinMatchLayer _ -> SKIN_MATCH;
      case HueBandsLayer _ -> HUE_BANDS;
      case SkinDepthLayer _ -> SKIN_DEPTH;
      case DesaturateLayer _ -> DESATURATE;
      case ColourPaintLayer _ -> COLOUR_PAINT;
      case BackdropLayer _ -> BACKDROP;
      case CurveLayer _ -> CURVE;
      case ColourBalanceLayer _ -> COLOUR_BALANCE;
      case GradientMapLayer _ -> GRADIENT_MAP;
      case MonochromeLayer _ -> MONOCHROME;
      case SaturationLayer _ -> SATURATION;
      case HueShiftLayer _ -> HUE_SHIFT;
      case TeethLayer _ -> TEETH;
      case ScleraLayer _ -> SCLERA;
      case IrisLayer _ -> IRIS;
      case CatchlightLayer _ -> CATCHLIGHT;
      case LipsLayer _ -> LIPS;
      case VignetteLayer _ -> VIGNETTE;
      case NoiseReductionLayer _ -> NOISE_REDUCTION;
      case SharpenLayer _ -> SHARPEN;
      case OverlayLayer _ -> OVERLAY;
      case PaintLayer _ -> PAINT;
      case ShapeLayer _ -> SHAPE;
      case GlowLayer _ -> GLOW;
      case FocusFalloffLayer _ -> FOCUS_FALLOFF;
      case GrainLayer _ -> GRAIN;
      case GroupLayer _ -> GROUP;
      case LockedLayer locked -> throw new IllegalArgumentException("No kind for " + locked.kind());
    };
  }

  /** What layers of this kind do, and of no other. */
  @SuppressWarnings("unchecked")
  LayerKernel<Layer, Measurements> kernel() {
    return (LayerKernel<Layer, Measurements>) kernel;
  }
}
