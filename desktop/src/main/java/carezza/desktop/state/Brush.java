package carezza.desktop.state;

import org.jspecify.annotations.Nullable;

import carezza.kernel.LayerType;
import carezza.model.Stroke;

/**
 * The brush in hand.
 *
 * @param radius in photograph pixels
 * @param softness 0 … 1
 * @param strength 0 … 1
 * @param inside stays inside the edge it starts in
 */
public record Brush(double radius, double softness, double strength, boolean inside) {

  /**
   * Difference of colour in L*a*b* that such a brush stops at: well above pores, well below lips.
   */
  private static final double EDGE = 14;

  /** What a mask is painted with to begin with. */
  static final Brush OF_MASKS = new Brush(40, 0.5, 1);

  /** A stroke of light builds up, and is seen after the first. */
  private static final double LIGHT_STRENGTH = 0.2;

  /** So does one of colour. */
  private static final double FLOW = 0.15;

  private static final double SMALLEST = 1;
  private static final double LARGEST = 800;

  public Brush {
    radius = Math.clamp(radius, SMALLEST, LARGEST);
    softness = Math.clamp(softness, 0, 1);
    strength = Math.clamp(strength, 0.01, 1);
  }

  public Brush(double radius, double softness, double strength) {
    this(radius, softness, strength, false);
  }

  /**
   * What a tool has on a kind of layer until the hand has set it otherwise.
   *
   * @param kind of the layer in hand, or null
   */
  static Brush suiting(@Nullable LayerType kind, ToolKind tool) {
    return switch (tool) {
      case HEAL, HAIR -> new Brush(24, 0.35, 1);
      case DODGE, BURN -> new Brush(40, 1, LIGHT_STRENGTH);
      case PUSH, GROW, SHRINK, SMOOTH_BACK -> new Brush(140, 0.5, 1);
      case PAINT -> new Brush(1.5, 0.5, 0.8);
      default -> kind == LayerType.COLOUR_PAINT ? new Brush(40, 1, FLOW) : OF_MASKS;
    };
  }

  /** Passing over edges, or not. */
  public Brush staying(boolean insideEdges) {
    return new Brush(radius, softness, strength, insideEdges);
  }

  public Brush radiusTimes(double factor) {
    return new Brush(radius * factor, softness, strength, inside);
  }

  public Brush softer(double by) {
    return new Brush(radius, softness + by, strength, inside);
  }

  public Brush stronger(double by) {
    return new Brush(radius, softness, strength + by, inside);
  }

  /** A stroke of this brush along packed points. */
  public Stroke stroke(float[] points, boolean lift) {
    return new Stroke(points, radius, softness, strength, lift, inside ? EDGE : 0);
  }
}
