package carezza.practice;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;

import carezza.kernel.LayerType;
import carezza.practice.Score.Measure;

/** What can be practised, in the order of the stages it belongs to. */
public enum Exercise {
  /** Mark what comes and goes, and leave what is the sitter's own. */
  FIND(3, LayerType.HEAL),
  /** Heal ten spots so that nobody sees where they were. */
  HEAL(5, LayerType.HEAL),
  /** Choose the radius that parts tone from texture. */
  RADIUS(2, LayerType.FREQUENCY_SEPARATION),
  /** Light and shade by hand until patches of light are gone and the face has its form. */
  TRANSITIONS(8, LayerType.DODGE_BURN),
  /** Deepen the form that is there with light and shade. */
  LIGHT(6, LayerType.DODGE_BURN),
  /** Even red and dark patches without flattening the face. */
  EVEN(
      6,
      LayerType.SKIN_TONE_EVENING,
      LayerType.FREQUENCY_SEPARATION,
      LayerType.HUE_BANDS,
      LayerType.COLOUR_PAINT),
  /** Bring the neck to the face. */
  NECK(4, LayerType.SKIN_MATCH, LayerType.SKIN_TONE_EVENING, LayerType.COLOUR_PAINT),
  /** Make a backdrop white and leave every hair. */
  BACKDROP(4, LayerType.BACKDROP, LayerType.LEVELS, LayerType.CURVE),
  /** Bring teeth and eyes into their bands below a warm grade. */
  TEETH(4, LayerType.TEETH, LayerType.SCLERA),
  /** Find what is overdone in a finished picture and give it back. */
  OVERDONE(3);

  private final int minutes;
  private final Set<LayerType> layers;

  Exercise(int minutes, LayerType... layers) {
    this.minutes = minutes;
    this.layers = EnumSet.noneOf(LayerType.class);
    this.layers.addAll(Set.of(layers));
  }

  /** About how long it takes. */
  public int minutes() {
    return minutes;
  }

  /** The kinds of layer that may be added. */
  public Set<LayerType> layers() {
    return Set.copyOf(layers);
  }

  /** What it is judged by. */
  public List<Measure> measures() {
    return switch (this) {
      case FIND -> List.of(Measure.FOUND, Measure.RIGHT, Measure.MARKS_LOST, Measure.SECONDS_EACH);
      case HEAL ->
          List.of(
              Measure.REMOVED,
              Measure.TEXTURE,
              Measure.SPILL,
              Measure.MARKS_LOST,
              Measure.SECONDS_EACH);
      case RADIUS -> List.of(Measure.RADIUS);
      case TRANSITIONS, EVEN ->
          List.of(Measure.REMOVED, Measure.TEXTURE, Measure.FORM, Measure.MARKS_LOST);
      case LIGHT -> List.of(Measure.FORM, Measure.ALONG_FORM, Measure.TEXTURE);
      case NECK -> List.of(Measure.REMOVED, Measure.TEXTURE, Measure.SPILL);
      case BACKDROP -> List.of(Measure.REMOVED, Measure.WHITE, Measure.EDGE, Measure.SPILL);
      case TEETH -> List.of(Measure.TEETH_YELLOW, Measure.SCLERA_YELLOW, Measure.SPILL);
      case OVERDONE -> List.of(Measure.REMOVED, Measure.TEXTURE);
    };
  }

  /** Whether a kind of layer may be added. */
  public boolean allows(LayerType type) {
    return layers.contains(type);
  }
}
