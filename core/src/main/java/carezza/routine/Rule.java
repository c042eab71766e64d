package carezza.routine;

import java.util.List;
import java.util.stream.Stream;

import carezza.model.DodgeBurnLayer;
import carezza.model.ExposureLayer;
import carezza.model.FrequencySeparationLayer;
import carezza.model.HealLayer;
import carezza.model.Layer;
import carezza.model.LevelsLayer;
import carezza.model.ScleraLayer;
import carezza.model.SkinToneEveningLayer;
import carezza.model.TeethLayer;
import carezza.model.WhiteBalanceLayer;

/** How values of a layer are measured anew on each photograph. */
public enum Rule {
  /** Temperature and tint from what is likely to be neutral. */
  NEUTRAL(WhiteBalanceLayer.class),
  /**
   * Stops that bring the picture's lights and whites of the eyes to where they usually lie, or to
   * where the reference has them; never by the lightness of skin.
   */
  LIGHT(ExposureLayer.class),
  /** Black and white where nothing clips. */
  END_POINTS(LevelsLayer.class),
  /** Repairs of the proposals above a likelihood; the person's own marks stay. */
  BLEMISHES(HealLayer.class),
  /** Repairs along the hairs that lie loose over the face. */
  STRAY_HAIRS(HealLayer.class),
  /** The radius that the skin's own texture advises. */
  RADIUS(FrequencySeparationLayer.class),
  /** The amount of smoothing that suits the job. */
  SMOOTHING(FrequencySeparationLayer.class),
  /** Masks of the blotches of lightness. */
  BLOTCHES(DodgeBurnLayer.class),
  /** Shade on the shine of the face. */
  SHINE(DodgeBurnLayer.class),
  /** Evening of redness and pigment that suits the job. */
  EVENING(SkinToneEveningLayer.class),
  /** Aims such that teeth, or whites of the eyes, end inside their bands. */
  BANDS(TeethLayer.class, ScleraLayer.class);

  private final List<Class<? extends Layer>> kinds;

  Rule(Class<? extends Layer> kind) {
    this.kinds = List.of(kind);
  }

  Rule(Class<? extends Layer> one, Class<? extends Layer> other) {
    this.kinds = List.of(one, other);
  }

  public boolean measures(Layer layer) {
    return kinds.stream().anyMatch(kind -> kind.isInstance(layer));
  }

  /** Those that can be had for a layer, in the order in which they are measured. */
  public static List<Rule> of(Layer layer) {
    return Stream.of(values()).filter(rule -> rule.measures(layer)).toList();
  }
}
