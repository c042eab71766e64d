package carezza.model;

import java.util.List;
import java.util.function.Function;

import carezza.model.Mask.Everything;
import carezza.model.Mask.Named;
import carezza.model.Mask.Nothing;

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
              h.withMask(new Named(Region.SKIN)),
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
  TONE_EVENING(
      "toneEvening",
      "Tone evening",
      Stage.EVEN,
      ToneEveningLayer.class,
      h -> new ToneEveningLayer(h.withMask(new Named(Region.SKIN)), 0.5, 0.3, null, 0.4, 0.2, 0)),
  CURVE(
      "curve",
      "Curve",
      Stage.GRADE,
      CurveLayer.class,
      h -> new CurveLayer(h, null, null, null, null)),
  TEETH(
      "teeth",
      "Teeth",
      Stage.BRIGHTEN,
      TeethLayer.class,
      h -> new TeethLayer(h.withMask(new Named(Region.TEETH)), 8, 4, false)),
  SCLERA(
      "sclera",
      "Whites of the eyes",
      Stage.BRIGHTEN,
      ScleraLayer.class,
      h -> new ScleraLayer(h.withMask(new Named(Region.SCLERA)), 4, 0.4, 3, false)),
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
      h -> new SharpenLayer(h, List.of(new SharpenLayer.Band(1.2, 0.5)), 4));

  private final String key;
  private final String title;
  private final Stage stage;
  private final Class<? extends Layer> type;
  private final Function<Head, Layer> start;

  LayerKind(
      String key,
      String title,
      Stage stage,
      Class<? extends Layer> type,
      Function<Head, Layer> start) {
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
    return start.apply(Head.of(title, stage, new Everything()));
  }

  public static LayerKind of(Layer layer) {
    for (LayerKind kind : values()) {
      if (kind.type == layer.getClass()) {
        return kind;
      }
    }
    throw new IllegalArgumentException("No kind for " + layer.getClass());
  }
}
