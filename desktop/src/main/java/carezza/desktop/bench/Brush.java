package carezza.desktop.bench;

import carezza.model.Stroke;

/**
 * The brush in hand.
 *
 * @param radius in photograph pixels
 * @param softness 0 … 1
 * @param strength 0 … 1
 */
public record Brush(double radius, double softness, double strength) {

  private static final double SMALLEST = 1;
  private static final double LARGEST = 800;

  public Brush {
    radius = Math.clamp(radius, SMALLEST, LARGEST);
    softness = Math.clamp(softness, 0, 1);
    strength = Math.clamp(strength, 0.01, 1);
  }

  public Brush radiusTimes(double factor) {
    return new Brush(radius * factor, softness, strength);
  }

  public Brush softer(double by) {
    return new Brush(radius, softness + by, strength);
  }

  public Brush stronger(double by) {
    return new Brush(radius, softness, strength + by);
  }

  /** A stroke of this brush along packed points. */
  Stroke stroke(float[] points, boolean lift) {
    return new Stroke(points, radius, softness, strength, lift);
  }
}
