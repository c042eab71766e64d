package carezza.model;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;

import carezza.model.Mask.Everything;
import carezza.model.Mask.Nothing;
import carezza.model.Mask.RegionMask;

/** The kinds of layer: the name each has in files, where it stands, and how a new one starts. */
public enum LayerKind {
  WHITE_BALANCE(
      "whiteBalance",
      "White balance",
      Stage.SETTLE,
      WhiteBalanceLayer.class,
      h -> new WhiteBalanceLayer(h, 6504, 0)),
  EXPOSURE(
      "exposure", "Exposure", Stage.SETTLE, ExposureLayer.class, h -> new ExposureLayer(h, 0, 0)),
  NEUTRAL_POINTS(
      "neutralise",
      "Neutral points",
      Stage.SETTLE,
      NeutralPointsLayer.class,
      h -> new NeutralPointsLayer(h, null, null, null)),
  LEVELS("range", "Range", Stage.SETTLE, LevelsLayer.class, h -> new LevelsLayer(h, 0, 1, 0, 0)),
  LOCAL_CONTRAST(
      "localContrast",
      "Local contrast",
      Stage.SETTLE,
      LocalContrastLayer.class,
      h -> new LocalContrastLayer(h, 0.2, 0)),
  HEAL(
      "heal",
      "Heal",
      Stage.MEND,
      HealLayer.class,
      h -> new HealLayer(h, List.of(), 0.12, HealLayer.Band.ALL)),
  FREQUENCY_SEPARATION(
      "frequencySeparation",
      "Frequency separation",
      Stage.SMOOTH,
      FrequencySeparationLayer.class,
      h ->
          new FrequencySeparationLayer(
              h.withMask(new RegionMask(SemanticRegion.SKIN)),
              null,
              FrequencySeparationLayer.Split.GAUSSIAN,
              1,
              1,
              0.6,
              10,
              List.of())),
  DODGE_BURN(
      "dodgeBurn",
      "Dodge and burn",
      Stage.SCULPT,
      DodgeBurnLayer.class,
      h ->
          new DodgeBurnLayer(
              h,
              DodgeBurnLayer.Method.CURVES,
              0.12,
              0.12,
              new Nothing(),
              new Nothing(),
              0.5,
              null,
              null)),
  SKIN_TONE_EVENING(
      "toneEvening",
      "Tone evening",
      Stage.EVEN,
      SkinToneEveningLayer.class,
      h ->
          new SkinToneEveningLayer(
              h.withMask(new RegionMask(SemanticRegion.SKIN)), 0.5, 0.3, null, 0.4, 0.2, 0, null, false)),
  SKIN_MATCH(
      "match",
      "Match",
      Stage.EVEN,
      SkinMatchLayer.class,
      h ->
          new SkinMatchLayer(
              h.withMask(new RegionMask(SemanticRegion.NECK_SKIN)), new RegionMask(SemanticRegion.FACE_SKIN), 0.8, 0)),
  HUE_BANDS(
      "families",
      "Colour families",
      Stage.EVEN,
      HueBandsLayer.class,
      h -> new HueBandsLayer(h, null)),
  SKIN_DEPTH(
      "depth",
      "Depth",
      Stage.EVEN,
      SkinDepthLayer.class,
      h -> new SkinDepthLayer(h.withMask(new RegionMask(SemanticRegion.SKIN)), 0.4, 1.5, null, false)),
  DESATURATE("mute", "Mute", Stage.EVEN, DesaturateLayer.class, h -> new DesaturateLayer(h, 0.3, 1, null)),
  COLOUR_PAINT(
      "colourTouch",
      "Colour touch-up",
      Stage.EVEN,
      ColourPaintLayer.class,
      h ->
          new ColourPaintLayer(h.withMask(new Nothing()), new SkinToneEveningLayer.Target(65, 28, 50))),
  CURVE(
      "curve",
      "Curve",
      Stage.GRADE,
      CurveLayer.class,
      h -> new CurveLayer(h, null, null, null, null, 0)),
  COLOUR_BALANCE(
      "balance",
      "Three-way balance",
      Stage.GRADE,
      ColourBalanceLayer.class,
      h -> new ColourBalanceLayer(h, Tint.NONE, Tint.NONE, Tint.NONE, 1)),
  GRADIENT_MAP(
      "gradientMap",
      "Gradient map",
      Stage.GRADE,
      GradientMapLayer.class,
      h ->
          new GradientMapLayer(
              h.withAmount(0.3),
              List.of(
                  new GradientMapLayer.Stop(0, new SkinToneEveningLayer.Target(4, 6, 290)),
                  new GradientMapLayer.Stop(0.5, new SkinToneEveningLayer.Target(50, 14, 50)),
                  new GradientMapLayer.Stop(1, new SkinToneEveningLayer.Target(97, 6, 85))))),
  MONOCHROME("mono", "Mono mix", Stage.GRADE, MonochromeLayer.class, h -> new MonochromeLayer(h, null, null, null)),
  SATURATION(
      "saturation",
      "Saturation",
      Stage.GRADE,
      SaturationLayer.class,
      h -> new SaturationLayer(h, 0.15, 0.7)),
  HUE_SHIFT(
      "hueShift",
      "Shift of hues",
      Stage.GRADE,
      HueShiftLayer.class,
      h -> new HueShiftLayer(h, 250, 40, 0, 0, 0)),
  TEETH(
      "teeth",
      "Teeth",
      Stage.BRIGHTEN,
      TeethLayer.class,
      h -> new TeethLayer(h.withMask(new RegionMask(SemanticRegion.TEETH)), 8, 4, false)),
  SCLERA(
      "sclera",
      "Whites of the eyes",
      Stage.BRIGHTEN,
      ScleraLayer.class,
      h -> new ScleraLayer(h.withMask(new RegionMask(SemanticRegion.SCLERA)), 5.5, 0.4, 3, 0, false)),
  IRIS(
      "iris",
      "Irises",
      Stage.BRIGHTEN,
      IrisLayer.class,
      h -> new IrisLayer(h.withMask(new RegionMask(SemanticRegion.IRIS)), 0.25, 3, 0.1, false)),
  CATCHLIGHT(
      "catchlight",
      "Catchlights",
      Stage.BRIGHTEN,
      CatchlightLayer.class,
      h -> new CatchlightLayer(h.withMask(new RegionMask(SemanticRegion.IRIS)), 0.4, 0.5)),
  LIPS(
      "lips",
      "Lips",
      Stage.BRIGHTEN,
      LipsLayer.class,
      h -> new LipsLayer(h.withMask(new RegionMask(SemanticRegion.LIPS)), 28, 0, 0, false)),
  VIGNETTE(
      "vignette",
      "Vignette",
      Stage.FINISH,
      VignetteLayer.class,
      h -> new VignetteLayer(h, -0.6, 0.45, 0.7)),
  SHARPEN(
      "sharpen",
      "Sharpening",
      Stage.FINISH,
      SharpenLayer.class,
      h -> new SharpenLayer(h, List.of(new SharpenLayer.Band(1.2, 0.5)), 4)),
  /** Made of layers that are there; it may stand in any stage. */
  GROUP("group", "Group", Stage.GRADE, GroupLayer.class, GroupLayer::new);

  /** All that a new layer can be of; a group is made of layers that are there. */
  public static final List<LayerKind> MADE_ANEW =
      Arrays.stream(values()).filter(kind -> kind != GROUP).toList();

  private final String key;
  private final String title;
  private final Stage stage;
  private final Class<? extends Layer> type;
  private final Function<LayerAttributes, Layer> start;

  LayerKind(
      String key,
      String title,
      Stage stage,
      Class<? extends Layer> type,
      Function<LayerAttributes, Layer> start) {
    this.key = key;
    this.title = title;
    this.stage = stage;
    this.type = type;
    this.start = start;
  }

  /** Its name in project files. */
  public String key() {
    return key;
  }

  /** Its name on the screen. */
  public String title() {
    return title;
  }

  public Stage stage() {
    return stage;
  }

  public Class<? extends Layer> type() {
    return type;
  }

  /** A new layer with the defaults. */
  public Layer fresh() {
    return start.apply(LayerAttributes.of(title, stage, new Everything()));
  }

  /**
   * @throws IllegalArgumentException of a {@link LockedLayer}, whose kind is not known here
   */
  public static LayerKind of(Layer layer) {
    for (LayerKind kind : values()) {
      if (kind.type == layer.getClass()) {
        return kind;
      }
    }
    throw new IllegalArgumentException("No kind for " + layer.getClass());
  }
}
