package carezza.plan;

import java.util.Set;

import carezza.model.BackdropLayer;
import carezza.model.CurveLayer;
import carezza.model.DesaturateLayer;
import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.HealLayer;
import carezza.model.HueBandsLayer;
import carezza.model.IrisLayer;
import carezza.model.Layer;
import carezza.model.LevelsLayer;
import carezza.model.NeutralPointsLayer;
import carezza.model.NoiseReductionLayer;
import carezza.model.ScleraLayer;
import carezza.model.SharpenLayer;
import carezza.model.SkinMatchLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.Stage;
import carezza.model.TeethLayer;
import carezza.model.VignetteLayer;
import carezza.model.WhiteBalanceLayer;

/** What is looked for in a picture; each kind is closed by the reading that raised it. */
public enum FindingKind {
  CAST("cast", Stage.SETTLE, "C*", WhiteBalanceLayer.class, NeutralPointsLayer.class),
  EXPOSURE("exposure", Stage.SETTLE, "stops", ExposureLayer.class, LevelsLayer.class),
  RANGE("range", Stage.SETTLE, "%", LevelsLayer.class, ExposureLayer.class),
  HEADROOM("headroom", Stage.SETTLE, "%"),
  TILT("tilt", Stage.SETTLE, "°"),
  BLEMISHES("blemishes", Stage.MEND, "places", HealLayer.class),
  STRAY_HAIRS("strayHairs", Stage.MEND, "hairs", HealLayer.class),
  TONE("tone", Stage.SMOOTH, "L*", FrequencySeparationLayer.class, DodgeBurnLayer.class),
  SHINE("shine", Stage.SCULPT, "%", DodgeBurnLayer.class),
  UNDER_EYES("underEyes", Stage.SCULPT, "L*", DodgeBurnLayer.class, CurveLayer.class),
  DISTRACTIONS(
      "distractions",
      Stage.SCULPT,
      "L* or C*",
      DodgeBurnLayer.class,
      DesaturateLayer.class,
      VignetteLayer.class),
  REDNESS("redness", Stage.EVEN, "mD at L* 55", SkinToneEveningLayer.class, HueBandsLayer.class),
  PIGMENT("pigment", Stage.EVEN, "mD at L* 55", SkinToneEveningLayer.class),
  MATCH("match", Stage.EVEN, "ΔE00", SkinMatchLayer.class),
  BACKDROP("backdrop", Stage.EVEN, "", BackdropLayer.class, FrequencySeparationLayer.class),
  TEETH("teeth", Stage.BRIGHTEN, "b*", TeethLayer.class),
  SCLERA("sclera", Stage.BRIGHTEN, "b*", ScleraLayer.class),
  IRISES("irises", Stage.BRIGHTEN, "L*", IrisLayer.class),
  SOFT_EYES("softEyes", Stage.FINISH, "×", SharpenLayer.class),
  NOISE("noise", Stage.FINISH, "L*", NoiseReductionLayer.class);

  private final String key;
  private final Stage stage;
  private final String unit;
  private final Set<Class<?>> treatedBy;

  FindingKind(String key, Stage stage, String unit, Class<?>... treatedBy) {
    this.key = key;
    this.stage = stage;
    this.unit = unit;
    this.treatedBy = Set.of(treatedBy);
  }

  /** Its name in files, and the group of a job level that sets its band and minutes. */
  public String key() {
    return key;
  }

  /** Where it is treated. */
  public Stage stage() {
    return stage;
  }

  /** Of its readings, as files say it. */
  public String unit() {
    return unit;
  }

  /** Whether layers of a kind treat it. */
  public boolean isTreatedBy(Class<? extends Layer> kind) {
    return treatedBy.contains(kind);
  }

  /**
   * The stage whose end it is read at: light and colour as they were settled, so that a grade is no
   * cast; what is to be mended after mending, so that no smoothing hides it; all else in the
   * finished picture.
   */
  public Stage readAfter() {
    return switch (stage) {
      case SETTLE -> Stage.SETTLE;
      case MEND -> Stage.MEND;
      default -> Stage.FINISH;
    };
  }
}
