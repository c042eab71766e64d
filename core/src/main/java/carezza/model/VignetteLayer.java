package carezza.model;

import org.jspecify.annotations.Nullable;

/**
 * Lets the light fall off away from a place: the one that is set, else the face, else the middle.
 *
 * @param stops at the corners; below 0 darker
 * @param radius where the fall begins, or how far away a lamp is, as a share of the half diagonal
 * @param falloff width of the fall as a share of the half diagonal; a lamp's has none
 * @param breadth of its ovals over their height
 * @param centre where it is fullest, or null for the face; it may lie beyond the picture
 * @param law how it falls
 */
public record VignetteLayer(
    LayerAttributes attributes,
    @Parameter(
            unit = Unit.STOPS,
            least = -4,
            most = 4,
            low = -3,
            high = 3,
            usual = -0.6,
            step = 0.05)
        double stops,
    @Parameter(most = 1.5, usual = 0.45) double radius,
    @Parameter(least = 0.05, most = 2, usual = 0.7) double falloff,
    @Parameter(least = 0.25, most = 4, low = 0.4, high = 2.5, usual = 1, step = 0.01)
        double breadth,
    @Nullable Point centre,
    Law law)
    implements Layer {

  /** How light falls off. */
  public enum Law {
    /** Not at all up to the radius, then by an even step over the falloff. */
    RING,
    /** By the inverse square of the way from a lamp over the place. */
    LAMP
  }

  public VignetteLayer {
    Require.present("attributes", attributes);
    Parameters.of(VignetteLayer.class).check(stops, radius, falloff, breadth);
    law = law == null ? Law.RING : law;
  }

  /** Fullest at another place; null for the face. */
  public VignetteLayer at(@Nullable Point newCentre) {
    return new VignetteLayer(attributes, stops, radius, falloff, breadth, newCentre, law);
  }

  public VignetteLayer by(Law newLaw) {
    return new VignetteLayer(attributes, stops, radius, falloff, breadth, centre, newLaw);
  }

  @Override
  public VignetteLayer with(LayerAttributes newAttributes) {
    return new VignetteLayer(newAttributes, stops, radius, falloff, breadth, centre, law);
  }
}
